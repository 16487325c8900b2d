import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { BOLT_ORDERS, type BoltOrder } from '../model'
import { layBolts, looseningOrder, tighteningOrder } from '.'

const ids = (laid: 'ring' | 'grid' | 'pairs', n: number, order: BoltOrder) =>
  tighteningOrder({ bolts: layBolts(laid, n), order, own: [] }).map(({ id }) => Number(id.slice(1)))

describe('orders that every workshop has on its wall (common practice, no source)', () => {
  test.each([
    [4, [1, 3, 2, 4]],
    [5, [1, 3, 5, 2, 4]],
    [6, [1, 4, 2, 5, 3, 6]],
    [8, [1, 5, 3, 7, 2, 6, 4, 8]],
  ])('a ring of %s as a star', (n, wanted) => expect(ids('ring', n, 'star')).toEqual(wanted))
  test('ten in two rows, from the middle out and each time across', () => {
    // By hand: 5 and 6 lie above and below the middle, 3 and 8, 4 and 7 across each other next to them, then the ends.
    const order = ids('pairs', 10, 'fromMiddle')
    expect(order.slice(0, 2)).toEqual([5, 6])
    expect(new Set(order.slice(2, 6))).toEqual(new Set([3, 4, 7, 8]))
    expect(new Set(order.slice(6))).toEqual(new Set([1, 2, 9, 10]))
    for (let i = 0; i < 10; i += 2) expect((order[i] ?? 0) + (order[i + 1] ?? 0)).toBe(11)
  })
  test('as stamped they go as they were laid; round and round clockwise from the first', () => {
    expect(ids('pairs', 4, 'asStamped')).toEqual([1, 2, 3, 4])
    expect(ids('ring', 5, 'roundAndRound')).toEqual([1, 2, 3, 4, 5])
  })
  test('by touch as they were touched, those that were not last', () =>
    expect(
      tighteningOrder({ bolts: layBolts('ring', 4), order: 'touched', own: ['b3', 'b1', 'gone'] }).map(({ id }) => id),
    ).toEqual(['b3', 'b1', 'b2', 'b4']))
})

const laidAnyhow = fc.uniqueArray(
  fc.record({ x: fc.double({ min: -1, max: 1, noNaN: true }), y: fc.double({ min: -1, max: 1, noNaN: true }) }),
  { minLength: 1, maxLength: 40, selector: ({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}` },
)

test('every order passes each bolt once, wherever they lie, and loosening is its reverse', () =>
  fc.assert(
    fc.property(laidAnyhow, fc.constantFrom(...BOLT_ORDERS), (places, order) => {
      const bolts = places.map((place, i) => ({ id: `b${i}`, ...place }))
      const own = bolts.slice(0, 3).map(({ id }) => id)
      const tight = tighteningOrder({ bolts, order, own })
      expect(tight.map(({ id }) => id).toSorted()).toEqual(bolts.map(({ id }) => id).toSorted())
      expect(looseningOrder({ bolts, order, own })).toEqual([...tight].reverse())
    }),
  ))

test('on a ring of any number a star never goes to a neighbour where it can go across', () => {
  for (let n = 5; n <= 24; n++) {
    const order = ids('ring', n, 'star')
    const steps = order.slice(1, 2).map((to, i) => Math.abs(to - (order[i] ?? 0)))
    for (const step of steps) expect(Math.min(step, n - step)).toBeGreaterThanOrEqual(Math.floor((n - 1) / 2))
  }
})
