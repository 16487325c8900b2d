import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { isTooMany, moveToDo, runSearch, searchMoves, type CamToSet, type Mover, type MoveProblem } from '.'

const teeth = (places: number, mostSteps?: number): Mover => ({
  id: 'tooth',
  effort: 3,
  by: { kind: 'steps', places, ...(mostSteps === undefined ? {} : { mostSteps }) },
})
const hub = (places: number): Mover => ({ id: 'hub', effort: 2, by: { kind: 'steps', places } })
const keys = (...laterDeg: number[]): Mover => ({
  id: 'key',
  effort: 4,
  by: { kind: 'choices', laterDeg: [0, ...laterDeg] },
})
const slots = (mostDeg: number): Mover => ({ id: 'slots', effort: 1, by: { kind: 'range', mostDeg } })
const cam = (latenessDeg: number, ...movers: Mover[]): CamToSet => ({ id: 'cam', latenessDeg, weight: 1, movers })
const one = (...cams: CamToSet[]): MoveProblem => ({ cams, shared: [], cycleDeg: 720, best: 5 })
const bestOf = (problem: MoveProblem) => runSearch(problem).nearest[0]

describe('check values', () => {
  // Handbook 9, independently computed: z 40 and m 17 at 1/2 step by 18/17 = 1.0588° at the finest.
  test('40 teeth and 17 places: nothing is ever more than half of 18/17 out, and 18/17 is reached', () => {
    expect(Math.abs(bestOf(one(cam(18 / 17, teeth(40), hub(17))))?.cams[0]?.leftoverDeg ?? 9)).toBeLessThan(1e-9)
    for (let late = -9; late <= 9; late += 0.37)
      expect(Math.abs(bestOf(one(cam(late, teeth(40), hub(17))))?.cams[0]?.leftoverDeg ?? 9)).toBeLessThanOrEqual(
        9 / 17 + 1e-9,
      )
  })
  test('36 teeth and 36 places gain nothing over the teeth alone', () => {
    for (const late of [4, 9.9, 17]) {
      const [both, alone] = [one(cam(late, teeth(36), hub(36))), one(cam(late, teeth(36)))].map((problem) =>
        bestOf(problem),
      )
      expect(both?.misses).toBeCloseTo(alone?.misses ?? NaN, 9)
    }
  })
  test('of moves that leave the same, the least trouble; a range takes up what it can', () => {
    expect(bestOf(one(cam(20, teeth(36), hub(36))))?.cams[0]?.moves).toMatchObject([{ moverId: 'hub', amount: -1 }])
    const slid = bestOf(one(cam(21.5, teeth(36), slots(2))))
    expect(slid?.cams[0]).toMatchObject({
      leftoverDeg: 0,
      moves: [{ moverId: 'tooth', amount: -1 }, { moverId: 'slots' }],
    })
    expect(bestOf(one(cam(0, teeth(36), hub(17))))?.cams[0]?.moves).toEqual([])
  })
  test('a key at the crank moves all cams: used when both are late alike', () => {
    const problem: MoveProblem = {
      ...one({ ...cam(4, teeth(36)), id: 'a' }, { ...cam(24, teeth(36)), id: 'b' }),
      shared: [{ mover: { ...keys(-4, 4), id: 'crank key' }, camIds: ['a', 'b'] }],
    }
    expect(bestOf(problem)).toMatchObject({
      shared: [{ moverId: 'crank key', laterDeg: -4 }],
      cams: [
        { moves: [], leftoverDeg: 0 },
        { moves: [{ moverId: 'tooth', amount: -1 }], leftoverDeg: 0 },
      ],
    })
  })
})

/** What every combination there is leaves and costs, without any order or list. */
function bruteForce(problem: MoveProblem): { misses: number; effort: number }[] {
  const outcomes: { misses: number; effort: number }[] = []
  const all = [
    ...problem.shared.map(({ mover, camIds }) => ({ mover, camIds })),
    ...problem.cams.flatMap(({ id, movers }) => movers.map((mover) => ({ mover, camIds: [id] }))),
  ]
  const go = (at: number, later: Record<string, number>, cost: number) => {
    const next = all[at]
    if (!next) {
      const sum = problem.cams.reduce((so, { id, latenessDeg, weight }) => {
        const deg = latenessDeg + (later[id] ?? 0)
        return so + weight * (deg - 720 * Math.round(deg / 720)) ** 2
      }, 0)
      outcomes.push({ misses: sum, effort: cost })
      return
    }
    const { by, effort: each } = next.mover
    const options =
      by.kind === 'steps'
        ? Array.from({ length: by.places }, (_, i) => ({
            deg: (i * 720) / by.places,
            cost: each * Math.min(i, by.places - i),
          }))
        : by.kind === 'choices'
          ? by.laterDeg.map((deg, i) => ({ deg, cost: i === 0 ? 0 : each }))
          : []
    for (const { deg, cost: more } of options) {
      const moved = { ...later }
      for (const id of next.camIds) moved[id] = (moved[id] ?? 0) + deg
      go(at + 1, moved, cost + more)
    }
  }
  go(0, {}, 0)
  return outcomes
}

/** Degrees to a ten-thousandth: places are alike, or apart by more than the search calls the same. */
const degrees = (most: number) => fc.integer({ min: -most * 1e4, max: most * 1e4 }).map((n) => n / 1e4)

test('thousands of small cases: as good as going through every combination, and as little trouble', () => {
  const anyCam = fc.record({
    late: degrees(350),
    weight: fc.constantFrom(1, 2, 0.5),
    teeth: fc.integer({ min: 3, max: 6 }),
    hub: fc.integer({ min: 1, max: 4 }),
    key: fc.array(degrees(9), { maxLength: 1 }),
  })
  fc.assert(
    fc.property(
      fc.array(anyCam, { minLength: 1, maxLength: 2 }),
      fc.array(degrees(9), { maxLength: 1 }),
      fc.integer({ min: 2, max: 4 }),
      (cams, crank, crankTeeth) => {
        const problem: MoveProblem = {
          cams: cams.map((one, i) => ({
            id: `cam-${i}`,
            latenessDeg: one.late,
            weight: one.weight,
            movers: [teeth(one.teeth), hub(one.hub), keys(...one.key)],
          })),
          shared: [keys(...crank), { ...teeth(crankTeeth), effort: 4 }].map((mover, i) => ({
            mover: { ...mover, id: `crank ${i}` },
            camIds: cams.map((_one, at) => `cam-${at}`),
          })),
          cycleDeg: 720,
          best: 3,
        }
        const { nearest, front } = runSearch(problem)
        const [found] = nearest
        const outcomes = bruteForce(problem)
        const least = outcomes.reduce((so, { misses }) => Math.min(so, misses), Infinity)
        expect(found?.misses).toBeCloseTo(least, 6)
        const cheapest = outcomes.reduce(
          (so, { misses, effort }) => (misses < least + 1e-9 ? Math.min(so, effort) : so),
          Infinity,
        )
        expect(found?.effort).toBeLessThanOrEqual(cheapest + 1e-9)
        // Nothing that costs no more leaves less than the last way given for so much trouble.
        for (const { misses, effort } of outcomes) {
          const given = front.findLast((set) => set.effort <= effort + 1e-9)
          if ((given?.misses ?? Infinity) > misses + 1e-6) throw new Error(`${misses} for ${effort} is missing`)
        }
        // What it says is left over is what its moves leave.
        for (const [i, { leftoverDeg, moves }] of (found?.cams ?? []).entries()) {
          const shared = (found?.shared ?? []).reduce((sum, { laterDeg }) => sum + laterDeg, 0)
          const deg = (cams[i]?.late ?? 0) + shared + moves.reduce((sum, { laterDeg }) => sum + laterDeg, 0)
          expect(Math.abs(deg - 720 * Math.round(deg / 720))).toBeCloseTo(Math.abs(leftoverDeg), 6)
        }
      },
    ),
    { numRuns: 2000 },
  )
})

test('the best few are in order and all different; it can be stopped half way', () => {
  const problem = one(cam(7, teeth(40), hub(17), keys(-2, 2)), { ...cam(-5, teeth(40), hub(17)), id: 'other' })
  const found = runSearch(problem).nearest
  expect(found).toHaveLength(5)
  expect(found.map(({ misses }) => misses)).toEqual([...found.map(({ misses }) => misses)].sort((a, b) => a - b))
  expect(new Set(found.map((set) => JSON.stringify(set.cams.map(({ moves }) => moves)))).size).toBe(5)
  expect(searchMoves(problem).next()).toEqual({ done: false, value: { done: 0, total: 2 } })
})

test('slots that need not be slid are left alone where that keeps to the limit; two of them share what one cannot take', () => {
  const found = runSearch(one(cam(1.5, teeth(36), slots(4))))
  expect(moveToDo(found, 2)).toMatchObject({ effort: 0, cams: [{ moves: [], leftoverDeg: 1.5 }] })
  expect(moveToDo(found, 1)).toMatchObject({ effort: 1, cams: [{ moves: [{ moverId: 'slots', amount: -1.5 }] }] })
  const two = bestOf(one(cam(5, slots(3), { ...slots(4), id: 'others' })))
  expect(two?.cams[0]).toMatchObject({ leftoverDeg: 0, moves: [{ amount: -3 }, { moverId: 'others', amount: -2 }] })
})

describe('something stepless that moves several camshafts', () => {
  const shared = (mostDeg: number, ...ids: string[]) => [
    { mover: { id: 'taper', effort: 2, by: { kind: 'range', mostDeg } } as const, camIds: ids },
  ]
  test('late alike: one slide and nothing else', () => {
    const both = [cam(3, teeth(36)), { ...cam(3, teeth(36)), id: 'other' }]
    expect(bestOf({ ...one(...both), shared: shared(10, 'cam', 'other') })).toMatchObject({
      shared: [{ moverId: 'taper', laterDeg: -3 }],
      cams: [
        { moves: [], leftoverDeg: 0 },
        { moves: [], leftoverDeg: 0 },
      ],
      effort: 2,
    })
  })
  // Independently computed: 3 and 21.5 are 3 and 1.5 once the second is a tooth of 20° back; half way between leaves 0.75 each way.
  test('with a tooth on one of them the slide takes what the two then have in common', () => {
    const both = [cam(3, teeth(36)), { ...cam(21.5, teeth(36)), id: 'other' }]
    const set = bestOf({ ...one(...both), shared: shared(10, 'cam', 'other') })
    expect(set?.shared[0]?.laterDeg).toBeCloseTo(-2.25, 9)
    expect(set?.cams.map(({ leftoverDeg }) => leftoverDeg)).toEqual([expect.closeTo(0.75, 9), expect.closeTo(-0.75, 9)])
  })
  test('as good as sliding by a tenth of a degree at a time and looking', () => {
    const any = fc.record({
      late: fc.double({ min: -40, max: 40, noNaN: true }),
      teeth: fc.integer({ min: 20, max: 44 }),
      hub: fc.integer({ min: 1, max: 5 }),
    })
    fc.assert(
      fc.property(
        fc.array(any, { minLength: 1, maxLength: 3 }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (cams, most) => {
          const own = cams.map(({ late, teeth: z, hub: m }, i) => ({ ...cam(late, teeth(z), hub(m)), id: `cam-${i}` }))
          const found = bestOf({ ...one(...own), shared: shared(most, ...own.map(({ id }) => id)) })
          let least = Infinity
          for (let slid = -most; slid <= most; slid += 0.1) {
            const moved = own.map((each) => ({ ...each, latenessDeg: each.latenessDeg + slid }))
            least = Math.min(least, bestOf(one(...moved))?.misses ?? Infinity)
          }
          expect(found?.misses ?? Infinity).toBeLessThanOrEqual(least + 1e-6)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('the one to do', () => {
  const found = runSearch(one(cam(4.1, teeth(27), hub(25))))
  test('within the limit the least trouble, though another way comes nearer', () => {
    const done = moveToDo(found, 2)
    expect(Math.abs(done?.cams[0]?.leftoverDeg ?? 9)).toBeLessThanOrEqual(2)
    expect(done?.effort).toBeLessThan(found.nearest[0]?.effort ?? 0)
  })
  test('without a limit, or where nothing keeps to it, the nearest of all', () => {
    expect(moveToDo(found, undefined)).toBe(found.nearest[0])
    expect(moveToDo(found, 0)).toBe(found.nearest[0])
  })
  test('less trouble always leaves more; the least is to leave it, the last the nearest', () => {
    const { front, nearest } = found
    expect(front[0]).toMatchObject({ effort: 0, cams: [{ moves: [] }] })
    expect(front.at(-1)?.misses).toBeCloseTo(nearest[0]?.misses ?? NaN, 9)
    for (const [i, set] of front.entries()) expect(set.misses).toBeLessThan(front[i - 1]?.misses ?? Infinity)
  })
})

describe('drives with very many places', () => {
  const end = (id: string, places: number): Mover => ({ id, effort: 2, by: { kind: 'steps', places } })
  const two = (lateA: number, lateB: number): CamToSet[] => [
    { ...cam(lateA, teeth(40, 1)), id: 'a' },
    { ...cam(lateB, teeth(40, 1)), id: 'b' },
  ]
  const quill = (ends: readonly number[], camIds: string[]) =>
    ends.map((places) => ({ mover: end(`${camIds.join()} ${places}`, places), camIds }))

  test('two quills of 60 and 61, and 60 and 59, each to a bank of its own: each bank by itself, at its finest step', () => {
    // Independently computed: the ends together step by 720 / lcm(60, 61) = 0.1967° and 720 / lcm(60, 59) = 0.2034°, teeth by 18°.
    const problem: MoveProblem = {
      ...one(...two(7.31, -5.17)),
      shared: [...quill([60, 61], ['a']), ...quill([60, 59], ['b'])],
    }
    const [first] = runSearch(problem).nearest
    const nearest = (late: number, ends: readonly number[]) => {
      let least = Infinity
      for (let i = 0; i < (ends[0] ?? 0); i++)
        for (let k = 0; k < (ends[1] ?? 0); k++)
          for (const tooth of [-18, 0, 18]) {
            const deg = late + (720 * i) / (ends[0] ?? 1) + (720 * k) / (ends[1] ?? 1) + tooth
            least = Math.min(least, Math.abs(deg - 720 * Math.round(deg / 720)))
          }
      return least
    }
    expect(Math.abs(first?.cams[0]?.leftoverDeg ?? 9)).toBeCloseTo(nearest(7.31, [60, 61]), 9)
    expect(Math.abs(first?.cams[1]?.leftoverDeg ?? 9)).toBeCloseTo(nearest(-5.17, [60, 59]), 9)
  })

  test('a tooth of 41 with a quill of 400 and 399 is gone through without being written out', () => {
    const late = 3.3333
    const [first] = runSearch(one(cam(late, teeth(41), end('near', 400), end('far', 399)))).nearest
    // By another route: every place of the quill in order, and for each tooth the nearest by halving.
    const places = Array.from({ length: 400 * 399 }, (_, n) => (n * 720) / (400 * 399))
    const least = Array.from({ length: 41 }, (_, tooth) => {
      const deg = late + (720 * tooth) / 41
      const at = Math.round((720 - (deg % 720)) / (720 / places.length)) % places.length
      return [-1, 0, 1].map((d) => {
        const sum = deg + (places[(at + d + places.length) % places.length] ?? 0)
        return Math.abs(sum - 720 * Math.round(sum / 720))
      })
    }).flat()
    expect(Math.abs(first?.cams[0]?.leftoverDeg ?? 9)).toBeCloseTo(Math.min(...least), 9)
  })

  test('what would take too long says so before it begins', () => {
    const problem: MoveProblem = {
      ...one(...two(1, 2)),
      shared: [...quill([400, 399], ['a', 'b']), ...quill([60, 61], ['a'])],
    }
    const answer = searchMoves(problem).next()
    expect(answer.done && isTooMany(answer.value) && answer.value.tooMany).toBeGreaterThan(40_000_000)
  })
})
