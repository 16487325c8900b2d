import { describe, expect, test } from 'vitest'
import type { Evidence } from '../model'
import { halfFromWitnesses, nextLook } from '.'

const saw = (evidence: Evidence, originDeg: number) => ({
  evidence,
  originDeg,
  cycleDeg: 720,
})

describe('firing or overlap, from what was seen', () => {
  test('nothing seen, or nothing that can tell: unknown', () => {
    expect(halfFromWitnesses([])).toEqual({ known: 'unknown' })
    // A lock fits half a turn out as well (pitfall P04).
    expect(halfFromWitnesses([saw('lockFits', 0)])).toEqual({ known: 'unknown' })
  })
  test('one look is read; two that look at the same valves are still one', () => {
    expect(halfFromWitnesses([saw('lobes', 0)])).toMatchObject({ known: 'read', originDeg: 0 })
    expect(halfFromWitnesses([saw('lobes', 0), saw('rocking', 0)])).toMatchObject({ known: 'read' })
  })
  test('air and valves, or own and companion valves, prove it', () => {
    expect(halfFromWitnesses([saw('thumb', 0), saw('lobes', 0)])).toMatchObject({ known: 'proved' })
    expect(halfFromWitnesses([saw('companionRocking', 360), saw('lobes', 360)])).toMatchObject({
      known: 'proved',
      originDeg: 360,
    })
  })
  test('they agree within a quarter of the cycle, across its end too', () => {
    expect(halfFromWitnesses([saw('thumb', 700), saw('lobes', 20)]).known).toBe('proved')
    expect(halfFromWitnesses([saw('thumb', 0), saw('lobes', 360)])).toEqual({ known: 'conflict' })
    expect(halfFromWitnesses([saw('thumb', 0), saw('lobes', 179.9)]).known).toBe('proved')
    expect(halfFromWitnesses([saw('thumb', 0), saw('lobes', 180)]).known).toBe('conflict')
  })
})

describe('what to look at next', () => {
  const all = { hasCompanion: true, loopsOn: true }
  test('the cheapest that sees something new', () => {
    expect(nextLook([], all)).toBe('thumb')
    expect(nextLook(['thumb'], all)).toBe('lobes')
    expect(nextLook(['lobes'], all)).toBe('thumb')
    expect(nextLook(['rocking', 'lockFits'], { ...all })).toBe('thumb')
  })
  test('nothing more once two independent ones are in, nor with the loops off', () => {
    expect(nextLook(['thumb', 'lobes'], all)).toBeUndefined()
    expect(nextLook([], { hasCompanion: true, loopsOn: false })).toBeUndefined()
  })
})
