import { describe, expect, test } from 'vitest'
import type { NewEntry } from '../model'
import { stateAfter } from '../testing/oneChain'
import { countedFrom, sheetWithDrive, readsLate } from '../testing/sheetWithDrive'
import { countsAfter, laidBy, type MoveSet } from '.'

const sheet = sheetWithDrive('twinCam', { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 })
const counts = (exhaust: number, inlet: number) => [
  countedFrom('chain', 'inlet-sprocket', 'crank-sprocket', inlet),
  countedFrom('chain', 'exhaust-sprocket', 'inlet-sprocket', exhaust),
]
const set = (shared: MoveSet['shared'], inlet: MoveSet['shared'] = []): MoveSet => ({
  shared,
  cams: [{ id: 'inlet-cam', moves: inlet, leftoverDeg: 0 }],
  misses: 0,
  effort: 0,
})
const tooth = (wheel: string, amount: number) => ({
  moverId: `tooth ${wheel}`,
  of: { part: 'tooth', loopId: 'chain', memberId: wheel } as const,
  amount,
  laterDeg: 18 * amount,
})
const after = (moves: MoveSet, found: [number, number] | undefined) => {
  const state = readsLate(sheet, {}, found ? counts(...found) : [])
  return countsAfter(moves, { sheet, state, phase: 'found' })
}
const pitches = (one: ReturnType<typeof after>) => one.map((loop) => loop.counts.map((count) => count.pitches))

test('over the driver the chain goes the other way than over a wheel it drives', () => {
  expect(laidBy(tooth('crank-sprocket', -1), sheet)).toEqual({
    loopId: 'chain',
    memberId: 'crank-sprocket',
    teeth: 1,
  })
  expect(laidBy(tooth('inlet-sprocket', -1), sheet)?.teeth).toBe(-1)
  expect(
    laidBy({ moverId: 'hub', of: { part: 'adjuster', adjusterId: 'hub' }, amount: 1, laterDeg: 4 }, sheet),
  ).toBeUndefined()
})

describe('what is then counted', () => {
  // Late is one too many from its mark to the crank's; handbook 8.
  test('one too many on the inlet, laid back: 30 both, as the book', () => {
    const [loop] = after(set([], [tooth('inlet-sprocket', -1)]), [29, 31])
    expect(loop?.counts.map((count) => count.pitches)).toEqual([30, 30])
    expect(loop?.seats).toEqual({})
  })
  test('both too far from the crank, laid on there: only the count that ends on the crank changes', () =>
    expect(pitches(after(set([tooth('crank-sprocket', -1)]), [30, 31]))).toEqual([[30, 30]]))
  test('nothing counted: what the book has', () =>
    expect(pitches(after(set([], [tooth('inlet-sprocket', -1)]), undefined))).toEqual([[30, 30]]))
  test('counted right and a tooth late all the same: the marks lie, and where they then stand is said', () => {
    const [loop] = after(set([], [tooth('inlet-sprocket', -1)]), [30, 30])
    expect(loop?.counts.map((count) => count.pitches)).toEqual([31, 29])
    expect(loop?.seats).toEqual({ 'inlet-sprocket': -1, 'exhaust-sprocket': 0 })
  })
})

test('a loop laid so that its marks no longer meet is proved by the counts that were meant', () => {
  const [loop] = after(set([], [tooth('inlet-sprocket', -1)]), [30, 30])
  const laid: NewEntry = {
    kind: 'moved',
    loopId: 'chain',
    memberId: 'inlet-sprocket',
    teeth: -1,
    ...(loop && { seats: loop.seats }),
  }
  const as = (exhaust: number, inlet: number) =>
    stateAfter(
      [...counts(30, 30), laid, ...counts(exhaust, inlet).map((count) => ({ ...count, phase: 'set' as const }))],
      sheet,
    ).loops['chain']?.proof
  expect(as(31, 29)).toBe('counted')
  expect(as(30, 30)).toBe('countedOut')
})

/* Independently computed: a tooth of 40 at half speed is 18° of the crank, so 4.5° is a quarter of a tooth. */
describe('what is left after teeth were laid on purpose is seen by the counts that follow', () => {
  const lateBy = (leftoverDeg: number) => {
    const moves = set([], [tooth('inlet-sprocket', -1)])
    const left: MoveSet = { ...moves, cams: moves.cams.map((cam) => ({ ...cam, leftoverDeg })) }
    const [loop] = countsAfter(left, { sheet, state: readsLate(sheet, {}, counts(30, 30)), phase: 'found' })
    const laid: NewEntry = {
      kind: 'moved',
      loopId: 'chain',
      memberId: 'inlet-sprocket',
      teeth: -1,
      ...(loop && { seats: loop.seats }),
    }
    const then = counts(31, 29).map((count) => ({ ...count, phase: 'set' as const }))
    return stateAfter([...counts(30, 30), laid, ...then], sheet).timing['inlet-cam']?.set?.latenessDeg
  }
  test.each([0, 4.5, -6.2])('%d°', (leftoverDeg) => expect(lateBy(leftoverDeg)).toBeCloseTo(leftoverDeg, 6))
})

describe('a key at the crank', () => {
  const keyed = {
    ...sheet,
    adjusters: [{ id: 'key', kind: 'offsetKey' as const, memberId: 'crank-sprocket', keysMm: [0.5], shaftMm: 25 }],
  }
  // The sprocket turned on the crank takes chain and cams with it: the pins between the marks stay, and the cams are as late as the key makes them.
  test.each([4, -2.29, 10])('%d° later: every count as before, and every camshaft so much later by it', (laterDeg) => {
    const key: NewEntry = { kind: 'adjusted', adjusterId: 'key', words: 'key', laterDeg }
    const then = counts(30, 30).map((count) => ({ ...count, phase: 'set' as const }))
    const { timing } = stateAfter([key, ...then], keyed)
    for (const id of ['inlet-cam', 'exhaust-cam']) expect(timing[id]?.set?.latenessDeg, id).toBeCloseTo(laterDeg, 6)
  })
})
