import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { assign, bracket, judgeGap, oddGap, planShims, screwGapMm, shimFor, type ShimmedValve } from '.'

const stock = { stepMm: 0.05, leastMm: 2, mostMm: 3 }
const valve = (camId: string, shimMm: number, gapMm: number): ShimmedValve => ({
  camId,
  shimMm,
  gapMm,
  wantMm: 0.2,
  leastMm: 0.15,
  mostMm: 0.25,
})

describe('the shim to fit, handbook 15: old + measured - wanted', () => {
  test('2.40 in, 0.31 measured, 0.20 wanted: 2.51, so 2.50, which leaves 0.21', () =>
    expect(shimFor({ shimMm: 2.4, gapMm: 0.31, wantMm: 0.2 }, stock)).toEqual({
      exactMm: 2.51,
      shimMm: 2.5,
      gapMm: 0.21,
    }))
  test('outside what is made it is not said', () =>
    expect(shimFor({ shimMm: 2.95, gapMm: 0.4, wantMm: 0.2 }, stock)).toBeUndefined())
})

describe('the cheapest set of swaps', () => {
  test('two valves that want each other’s shims swap them, and nothing is bought', () => {
    const plan = planShims({ valves: [valve('a', 2.4, 0.3), valve('b', 2.5, 0.1)], drawer: [], stock })
    expect(plan).toMatchObject({
      newShims: 0,
      moves: [
        { camId: 'a', shimMm: 2.5, from: 'swap', fromCamId: 'b', gapMm: 0.2 },
        { camId: 'b', shimMm: 2.4, from: 'swap', fromCamId: 'a', gapMm: 0.2 },
      ],
      leftOver: [],
    })
  })
  test('what is within its limits stays, though it could be nearer', () =>
    expect(planShims({ valves: [valve('a', 2.4, 0.25)], drawer: [2.45], stock })?.moves[0]).toMatchObject({
      from: 'stays',
    }))
  test('one from the drawer before a new one; what comes out is listed', () => {
    expect(planShims({ valves: [valve('a', 2.4, 0.4)], drawer: [2.6], stock })).toMatchObject({
      newShims: 0,
      leftOver: [2.4],
    })
    expect(planShims({ valves: [valve('a', 2.4, 0.4)], drawer: [], stock })).toMatchObject({
      newShims: 1,
      moves: [{ shimMm: 2.6 }],
    })
  })
  test('a valve that no shim brings right is not passed off as right', () =>
    expect(planShims({ valves: [valve('a', 2, 0.02)], drawer: [], stock })).toBeUndefined())
  test('never more new shims than going through every way of sharing out what there is', () => {
    const anyValves = fc.array(
      fc.record({ shim: fc.integer({ min: 0, max: 12 }), gap: fc.integer({ min: 2, max: 45 }) }),
      { minLength: 1, maxLength: 4 },
    )
    fc.assert(
      fc.property(anyValves, (list) => {
        const valves = list.map(({ shim, gap }, i) => valve(`v${i}`, 2.2 + shim * 0.05, gap / 100))
        const plan = planShims({ valves, drawer: [], stock })
        let fewest = Infinity
        const go = (at: number, taken: readonly number[], bought: number) => {
          const one = valves[at]
          if (!one) return void (fewest = Math.min(fewest, bought))
          const fits = (shimMm: number) => {
            const gap = one.shimMm + one.gapMm - shimMm
            return gap >= one.leastMm - 1e-9 && gap <= one.mostMm + 1e-9
          }
          valves.forEach(({ shimMm }, j) => {
            if (!taken.includes(j) && fits(shimMm)) go(at + 1, [...taken, j], bought)
          })
          const steps = Array.from({ length: 21 }, (_, k) => 2 + k * 0.05)
          if (steps.some(fits)) go(at + 1, taken, bought + 1)
        }
        go(0, [], 0)
        expect(plan?.newShims ?? Infinity).toBe(fewest)
        for (const { gapMm } of plan?.moves ?? []) expect(gapMm).toBeGreaterThanOrEqual(0.15 - 1e-6)
      }),
      { numRuns: 400 },
    )
  })
})

test('rows and columns: the sum is the least of all permutations', () => {
  fc.assert(
    fc.property(
      fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 5, maxLength: 5 }), {
        minLength: 1,
        maxLength: 5,
      }),
      (costs) => {
        const chosen = assign(costs)
        expect(new Set(chosen).size).toBe(costs.length)
        let least = Infinity
        const go = (row: number, used: number, sum: number) => {
          if (row === costs.length) return void (least = Math.min(least, sum))
          for (let j = 0; j < 5; j++) if (!(used & (1 << j))) go(row + 1, used | (1 << j), sum + (costs[row]?.[j] ?? 0))
        }
        go(0, 0, 0)
        expect(chosen.reduce((sum, j, i) => sum + (costs[i]?.[j] ?? 0), 0)).toBe(least)
      },
    ),
  )
})

test('a quarter turn of a thread of 1 mm leaves 0.25 mm, independently computed', () =>
  expect(screwGapMm(90, 1)).toBe(0.25))

describe('a gap against the book', () => {
  test('between two limits, both included, with the margin', () => {
    const book = { lashMm: 0.1, lashToMm: 0.15 }
    expect(judgeGap(0.15, book)).toMatchObject({ verdict: 'within' })
    expect(judgeGap(0.16, book).verdict).toBe('wide')
    expect(judgeGap(0.09, book)).toMatchObject({ verdict: 'tight', marginMm: expect.closeTo(-0.01, 9) })
    expect(judgeGap(0.2, {}).verdict).toBe('noBook')
  })
  // Worked out by hand: the gap lies somewhere between the blades.
  test.each<[number, number, string]>([
    [0.2, 0.24, 'cannotTell'],
    [0.2, 0.25, 'within'],
    [0.26, 0.3, 'tight'],
    [0.25, 0.3, 'tight'],
    [0.1, 0.2, 'wide'],
    [0.1, 0.23, 'wide'],
    [0.24, 0.3, 'cannotTell'],
  ])('0.23 goes and 0.25 does not, against %d to %d: %s', (lashMm, lashToMm, verdict) =>
    expect(judgeGap({ goMm: 0.23, noGoMm: 0.25 }, { lashMm, lashToMm }).verdict).toBe(verdict),
  )
  // A typed figure without its unit, common practice: 0.07 is too tight in mm, absurd in inches, and .007 in is 0.178 mm.
  test('0.07 is asked about: did you mean .007 in?', () => {
    const odd = oddGap(0.07, undefined, 0.2)
    expect(oddGap(0.07, undefined, undefined)?.meant[0]?.words).toBe('.007 in')
    expect(odd?.meant[0]?.words).toBe('.007 in')
    expect(oddGap(0.1, 'mm', 0.2)).toBeUndefined()
    expect(oddGap(8, 'mm', 0.2)?.meant.map(({ words }) => words)).toContain('8 thou')
    expect(oddGap(0.2, 'mm', 0.2)).toBeUndefined()
  })
  test('a blade that goes and one that does not; the other way about is refused', () => {
    expect(bracket(0.1, 0.15)).toEqual({ gapMm: 0.125, halfMm: expect.closeTo(0.025, 9) })
    expect(bracket(0.15, 0.15)).toBeUndefined()
  })
})
