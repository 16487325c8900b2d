import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { TensionerIs } from '../ledger'
import { TENSIONER_STATES, TIGHTENER_KINDS } from '../model'
import { tensionerMoves, tighteners } from '.'

const kind = fc.constantFrom(undefined, ...TIGHTENER_KINDS)
const is = fc.constantFrom<TensionerIs>(...TENSIONER_STATES, 'asArrived', 'notSaid', 'out', 'unknown')

describe('whatever a tensioner is and however it stands', () => {
  test('something may be done with it', () =>
    fc.assert(
      fc.property(kind, is, (of, at) => {
        expect(tensionerMoves(of, at, 720).some(({ held }) => !held)).toBe(true)
      }),
    ))
  test('it is fitted only held back', () =>
    fc.assert(
      fc.property(kind, is, (of, at) => {
        const fit = tensionerMoves(of, at, 720).find(({ to }) => to === 'fitted')
        if (fit && !fit.held) expect(at).toBe('heldBack')
      }),
    ))
  test('by what it may be brought to it comes to be felt', () =>
    fc.assert(
      fc.property(kind, is, (of, from) => {
        const seen = new Set<TensionerIs>()
        const next = [from]
        for (let at = next.pop(); at !== undefined; at = next.pop()) {
          if (seen.has(at)) continue
          seen.add(at)
          next.push(...tensionerMoves(of, at, 720).flatMap(({ to, held }) => (held ? [] : [to])))
        }
        expect(seen.has('proven')).toBe(true)
      }),
    ))
})

describe('a live spring', () => {
  test('is locked only after two turns on its spring alone', () => {
    const lock = (turnedDeg: number) =>
      tensionerMoves('liveSpring', 'springOnly', turnedDeg).find(({ to }) => to === 'locked')
    expect(lock(0)?.held).toEqual({ code: 'turnFirst', stillDeg: 720 })
    expect(lock(719)?.held).toEqual({ code: 'turnFirst', stillDeg: 1 })
    expect(lock(720)?.held).toBeUndefined()
  })
  test('drawn tight with a lever it is let off and not locked', () => {
    const moves = tensionerMoves('liveSpring', 'levered', 720)
    expect(moves[0]).toEqual({ to: 'loose' })
    expect(moves.find(({ to }) => to === 'locked')?.held).toEqual({ code: 'levered' })
  })
  test('is the only one that is never levered', () =>
    expect(TIGHTENER_KINDS.filter((one) => tighteners[one].neverLevered)).toEqual(['liveSpring']))
})

test('with grub screws tight nothing puts the pull on, whatever it is and however it stands', () =>
  fc.assert(
    fc.property(kind, is, (of, at) => {
      for (const { to, held } of tensionerMoves(of, at, 720, { grubScrewsTight: true }))
        if (to === 'released' || to === 'set' || to === 'springOnly' || to === 'locked') expect(held).toBeDefined()
    }),
  ))
