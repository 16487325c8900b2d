import { describe, expect, test } from 'vitest'
import type { Adjuster } from '../model'
import { couplingWorth } from '../drive'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { adjusterKinds } from './adjusterKinds'
import { couplingMoves } from './driveMoves'
import { movesOf } from './waysOfCam'

const seat = { perTurn: 0.5, cycleDeg: 720 } as const
const of = (kind: Adjuster['kind'], figures: Partial<Adjuster> = {}) =>
  adjusterKinds[kind].moves({ id: 'a', memberId: 'm', kind, ...figures }, seat)

describe('what an adjuster can do, at a shaft of half the crank’s speed', () => {
  test('nothing where its figures are not known: unknown is no move', () => {
    for (const kind of ['hub', 'keyway', 'turnedOver', 'offsetKey', 'slots', 'couplingSlip'] as const)
      expect(of(kind), kind).toBeUndefined()
    expect(of('slots', { rangeDeg: 0 })).toBeUndefined()
    expect(of('offsetKey', { keysMm: [0.5] })).toBeUndefined()
  })
  test('a hub steps round the whole cycle, a taper stands anywhere', () => {
    expect(of('hub', { positions: 17 })).toEqual({ kind: 'steps', places: 17 })
    expect(of('taper')).toEqual({ kind: 'range', mostDeg: 360 })
    expect(of('grubScrews')).toEqual({ kind: 'range', mostDeg: 360 })
  })
  test('degrees of the shaft are twice as many at the crank', () => {
    expect(of('slots', { rangeDeg: 4 })).toEqual({ kind: 'range', mostDeg: 8 })
    expect(of('keyway', { anglesDeg: [3, -5] })).toEqual({ kind: 'choices', laterDeg: [0, 6, -10] })
  })
  test('a key goes in either way round, and one that is wider than the shaft does not go in', () => {
    // Independently computed: asin(2·0.5/25) = 2.2924°, twice that at the crank.
    const keys = of('offsetKey', { keysMm: [0.5, 13, 0], shaftMm: 25 })
    if (keys?.kind !== 'choices') throw new Error('no keys')
    expect(keys.laterDeg).toHaveLength(3)
    expect(keys.laterDeg[1]).toBeCloseTo(4.5849, 3)
    expect(keys.laterDeg[2]).toBeCloseTo(-4.5849, 3)
  })
})

/* Independently computed: 360/13 is 27.69° of the shaft, at 2/3 of the crank's speed 41.54° of the crank; 2 dogs there are 270°. */
describe('places on a shaft that does not run at half speed', () => {
  const at = { perTurn: 2 / 3, cycleDeg: 720 } as const
  test.each([
    [13, 41.538],
    [2, 270],
    [17, 31.765],
  ])('%i places to the turn at 2/3 step by %d° of the crank', (positions, deg) => {
    const by = adjusterKinds.hub.moves({ id: 'a', memberId: 'm', kind: 'hub', positions }, at)
    const steps = by && movesOf({ id: 'hub', effort: 1, by }, 720)
    expect(steps?.find(({ amount }) => amount === 1)?.laterDeg).toBeCloseTo(deg, 3)
  })
  test('a coupling’s place is worth the same to the search as where it is put together', () => {
    const sheet = sheetWithDrive('twoStage', {})
    const shaft = { id: 'quill', name: 'Quill', kind: 'intermediate' as const, ratio: { num: 2, den: 3 } }
    const [cam] = sheet.shafts.filter(({ kind }) => kind === 'cam')
    const coupling = {
      id: 'spline',
      kind: 'spline' as const,
      fromId: 'crank',
      toId: shaft.id,
      positions: { value: 13, typed: '13', trust: 'measured' as const },
    }
    const on = { ...sheet, shafts: [...sheet.shafts, shaft], couplings: [coupling] }
    const worth = couplingWorth(on, coupling).from?.crankDeg
    const [move] = couplingMoves(on)
    const step = move && movesOf(move.mover, 720).find(({ amount }) => amount === 1)?.laterDeg
    expect(cam).toBeDefined()
    expect(step).toBeCloseTo(worth ?? NaN, 9)
  })
})
