import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { inUnit, linesOf, nextDue, trendOf } from '.'

const at = (day: string) => `${day}T00:00:00.000Z`
const dayOf = (iso: string | undefined) => iso?.slice(0, 10)

describe('what is due next', () => {
  // Worked out by hand: 60 months of 30.4375 days.
  test('by the calendar, from when it was last done', () => {
    const { byDate, first, why, isOver } = nextDue({ months: 60, lastAt: at('2021-01-01') }, [], at('2026-06-01'))
    expect(dayOf(byDate)).toBe('2026-01-01')
    expect([dayOf(first), why, isOver]).toEqual(['2026-01-01', 'date', true])
  })
  test('by what it has run: 100 h a year, 1000 h from 300 h on', () => {
    const visits = [
      { at: at('2024-01-01'), meter: { value: 300, unit: 'hours' as const } },
      { at: at('2025-01-01'), meter: { value: 400.2, unit: 'hours' as const } },
    ]
    const { byMeter, why } = nextDue({ every: { value: 1000, unit: 'hours' } }, visits, at('2025-06-01'))
    expect(byMeter?.value).toBe(1300)
    expect(byMeter?.leaves).toBeCloseTo(899.8, 6)
    expect(dayOf(byMeter?.at)).toBe('2033-12-31')
    expect(why).toBe('meter')
  })
  test('whichever comes first, and over by either', () => {
    const visits = [
      { at: at('2024-01-01'), meter: { value: 0, unit: 'miles' as const } },
      { at: at('2025-01-01'), meter: { value: 13_000, unit: 'miles' as const } },
    ]
    const due = { every: { value: 12_000, unit: 'miles' as const }, months: 600 }
    expect(nextDue(due, visits, at('2025-02-01'))).toMatchObject({ why: 'meter', isOver: true })
  })
  test('one visit alone tells no rate, and another kind of meter says nothing', () => {
    const one = [{ at: at('2024-01-01'), meter: { value: 300, unit: 'hours' as const } }]
    expect(nextDue({ every: { value: 1000, unit: 'hours' } }, one, at('2025-01-01')).byMeter).toMatchObject({
      value: 1300,
      at: undefined,
    })
    expect(nextDue({ every: { value: 1000, unit: 'miles' } }, one, at('2025-01-01')).byMeter).toBeUndefined()
  })
  test('kilometres and miles are one sort, hours another', () => {
    expect(inUnit({ value: 100, unit: 'miles' }, 'km')).toBeCloseTo(160.9344, 6)
    expect(inUnit({ value: 160.9344, unit: 'km' }, 'miles')).toBeCloseTo(100, 6)
    expect(inUnit({ value: 1, unit: 'hours' }, 'races')).toBeUndefined()
  })
})

describe('a trend', () => {
  const points = (ys: readonly number[]) => ys.map((y, i) => ({ x: i * 100, y, sigma: 0.1 }))
  // Worked out by hand: 1 a hundred from 0 on reaches 4 at 400, and 400 is within half as long again as 300.
  test('four visits tell where it reaches the limit, three do not', () => {
    expect(trendOf(points([0, 1, 2, 3]), 4)).toMatchObject({ kind: 'reaches', atX: expect.closeTo(400, 6) as number })
    expect(trendOf(points([0, 1, 2]), 4)).toEqual({ kind: 'tooFew' })
  })
  test('no further than half as long again', () => {
    expect(trendOf(points([0, 1, 2, 3]), 5)).toMatchObject({ kind: 'tooFar', mostX: 450 })
  })
  test('what does not grow beyond its ± is flat; what is past is past', () => {
    expect(trendOf(points([1, 1.02, 0.98, 1]), 4).kind).toBe('flat')
    expect(trendOf(points([1, 2, 3, 4.2]), 4).kind).toBe('past')
  })
  test('whatever is measured, no date is told beyond half as long again', () => {
    const point = fc.record({
      x: fc.integer({ min: 0, max: 1000 }),
      y: fc.float({ min: -5, max: 10, noNaN: true }),
      sigma: fc.float({ min: Math.fround(0.01), max: 2, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(point, { maxLength: 12 }), (some) => {
        const trend = trendOf(some, 6)
        if (trend.kind !== 'reaches') return
        const xs = some.map(({ x }) => x)
        const [least, most] = [Math.min(...xs), Math.max(...xs)]
        expect(trend.atX).toBeLessThanOrEqual(most + 0.5 * (most - least) + 1e-6)
        expect(trend.atX).toBeGreaterThanOrEqual(most)
      }),
    )
  })
})

describe('lines over visits', () => {
  const visit = (x: number, renewed = false) => ({ x, value: x, sigma: 1, renewed })
  test('a new chain begins a new line with the next visit', () =>
    expect(linesOf([visit(1), visit(2, true), visit(3), visit(4)]).map((line) => line.map(({ x }) => x))).toEqual([
      [1, 2],
      [3, 4],
    ]))
  test('visits that stand out of order are put in it', () =>
    expect(linesOf([visit(3), visit(1)]).map((line) => line.map(({ x }) => x))).toEqual([[1, 3]]))
  // By hand: 0, 1, 2, 3 at 0, 100, 200, 300 with sigma 0.1: slope 0.01 ± 2·0.1/sqrt(50000) = 0.000894, middle 1.5 ± 0.1.
  test('the stretch in which it leaves the limit lies round where it does', () => {
    const trend = trendOf(
      [0, 1, 2, 3].map((y, i) => ({ x: 100 * i, y, sigma: 0.1 })),
      4,
    )
    if (trend.kind !== 'reaches') throw new Error(trend.kind)
    expect(trend.earliestX).toBeCloseTo(150 + (2.5 - 0.1) / 0.010894, 0)
    expect(trend.latestX).toBeCloseTo(150 + (2.5 + 0.1) / 0.009106, 0)
  })
})
