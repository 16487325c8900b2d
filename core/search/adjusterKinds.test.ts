import { describe, expect, test } from 'vitest'
import type { Adjuster } from '../model'
import { adjusterKinds } from './adjusterKinds'

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
