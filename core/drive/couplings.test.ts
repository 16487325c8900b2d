import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Coupling } from '../model'
import { beginSheet } from '../starters'
import { bestPlaces, couplingShift, couplingsTo, couplingWorth, shaftsBehind } from '.'

const whole = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const sheet: BuildSheet = beginSheet({
  id: 's',
  engineId: 'e',
  at: '2026-01-01T00:00:00.000Z',
  cylinders: 2,
  layout: 'flat',
  drive: 'splinedBanks',
  guide: false,
  tensioner: true,
})
const first = sheet.couplings[0] as Coupling
const withPlaces = (from?: number, to?: number): Coupling => ({
  ...first,
  kind: to ? 'quill' : 'spline',
  ...(from ? { positions: whole(from) } : {}),
  ...(to ? { positionsTo: whole(to) } : {}),
})

describe('what a place is worth, independently computed', () => {
  test('24 splines at half speed: 15° of the shaft, 30° of the crank', () =>
    expect(couplingWorth(sheet, withPlaces(24)).from).toEqual({ shaftDeg: 15, crankDeg: 30 }))
  test('two on is 60° earlier, two back 60° later', () => {
    expect(couplingShift(sheet, withPlaces(24), { steps: 2 })).toBe(-60)
    expect(couplingShift(sheet, withPlaces(24), { steps: -2 })).toBe(60)
  })
  test('places that are not counted are not made up', () => {
    expect(couplingWorth(sheet, withPlaces()).from).toBeUndefined()
    expect(couplingShift(sheet, withPlaces(), { steps: 1 })).toBeUndefined()
    expect(couplingShift(sheet, withPlaces(), { steps: 0 })).toBe(0)
    expect(couplingShift(sheet, withPlaces(24), { steps: 1, stepsTo: 1 })).toBeUndefined()
    expect(bestPlaces(sheet, withPlaces(), 12)).toBeUndefined()
  })
})

describe('the best places', () => {
  test('61° late: two on, 1° left', () =>
    expect(bestPlaces(sheet, withPlaces(24), 61)).toEqual({ steps: 2, stepsTo: 0, leftoverDeg: 1 }))
  // 24 at one end and 23 at the other: the finest step is 720/(24·23) = 1.304° of the crank, independently computed.
  test('a quill of 24 and 23 is never more than half its finest step out', () => {
    fc.assert(
      fc.property(fc.double({ min: -350, max: 350, noNaN: true }), (late) => {
        const best = bestPlaces(sheet, withPlaces(24, 23), late)
        expect(Math.abs(best?.leftoverDeg ?? 99)).toBeLessThanOrEqual(720 / (24 * 23) / 2 + 1e-9)
      }),
    )
  })
  test('nothing better by trying every pair of places', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 30 }),
        fc.integer({ min: 2, max: 30 }),
        fc.double({ min: -300, max: 300, noNaN: true }),
        (a, b, late) => {
          const coupling = withPlaces(a, b)
          let least = Infinity
          for (let i = 0; i < a; i++)
            for (let j = 0; j < b; j++) {
              const left = late - (i * 720) / a - (j * 720) / b
              least = Math.min(least, Math.abs(left - Math.round(left / 720) * 720))
            }
          const best = bestPlaces(sheet, coupling, late)
          const left = best?.leftoverDeg ?? NaN
          expect(Math.abs(left - Math.round(left / 720) * 720)).toBeCloseTo(least, 6)
          // What it promises is what the move does.
          const shift = couplingShift(sheet, coupling, best ?? { steps: 0 }) ?? NaN
          expect((((late + shift - left) % 720) + 720.0000001) % 720).toBeLessThan(1e-5)
        },
      ),
    )
  })
})

test('what lies on the way to a camshaft, and what lies behind a coupling', () => {
  expect(couplingsTo(sheet, 'cam-a').map(({ toId }) => toId)).toEqual([])
  const teethed = {
    ...sheet,
    members: sheet.members.map((one) => (one.kind === 'sprocket' ? { ...one, teeth: whole(20) } : one)),
  }
  expect(couplingsTo(teethed, 'cam-a').map(({ toId }) => toId)).toEqual(['cam-a'])
  expect(shaftsBehind(teethed, first.id)).toEqual([first.toId])
})
