import { describe, expect, test } from 'vitest'
import { partsOf } from '../sheet'
import { beginSheet } from '../starters'
import { combineTiming, correctByTeeth, eventLateness, valveEvents, type TimingWitness } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })

function sheet17576020() {
  const base = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 2,
    guide: false,
    tensioner: false,
  })
  const cylinders = base.cylinders.map((cylinder, i) => ({ ...cylinder, firingDeg: known(i * 360) }))
  const cams = base.cams.map((cam) => ({
    ...cam,
    opensDeg: known(cam.valve === 'inlet' ? 17 : 60),
    closesDeg: known(cam.valve === 'inlet' ? 57 : 20),
  }))
  return { ...base, cylinders, cams }
}

// Handbook 1: EO = 180 - eo, IO = 360 - io, EC = 360 + ec, IC = 540 + ic after firing TDC of the cylinder.
test('printed events on the cycle, for the zero cylinder and for one that fires 360° later', () => {
  const sheet = sheet17576020()
  const at = (id: string) => valveEvents(sheet, partsOf(sheet).cam(id) as never)
  expect(at('cam-1-inlet')).toEqual({ opens: 343, closes: 597 })
  expect(at('cam-1-exhaust')).toEqual({ opens: 120, closes: 380 })
  expect(at('cam-2-inlet')).toEqual({ opens: 703, closes: 237 })
})

test('nothing is made up for a cylinder whose firing TDC is not known', () => {
  const sheet = sheet17576020()
  const cylinders = sheet.cylinders.map(({ firingDeg: _gone, ...cylinder }) => cylinder)
  const second = partsOf(sheet).cam('cam-2-inlet')
  expect(valveEvents({ ...sheet, cylinders }, second as never)).toEqual({ opens: undefined, closes: undefined })
})

describe('phase against duration, independently computed (handbook 12), spec 17/57/60/20', () => {
  // Read 9/65/52/28: inlet opens 9 before TDC = 351, closes 65 after BDC = 605.
  test('9/65: 8 late on both, duration 0', () =>
    expect(eventLateness({ opensDeg: 351, closesDeg: 605 }, { opens: 343, closes: 597 })).toMatchObject({
      phaseDeg: 8,
      durationDeg: 0,
    }))
  test('12/52: phase 0, duration -10', () =>
    expect(eventLateness({ opensDeg: 348, closesDeg: 592 }, { opens: 343, closes: 597 })).toMatchObject({
      phaseDeg: 0,
      durationDeg: -10,
    }))
  test('the wheel shows one turn: a reading a whole turn away is the same', () =>
    expect(eventLateness({ opensDeg: 351 - 360, closesDeg: 605 - 360 }, { opens: 343, closes: 597 })).toMatchObject({
      phaseDeg: 8,
    }))
})

const witness = (kind: TimingWitness['kind'], latenessDeg: number, sigmaDeg: number): TimingWitness => ({
  kind,
  entryId: kind,
  latenessDeg,
  sigmaDeg,
})

describe('timing from witnesses', () => {
  test('one is read; two kinds that agree prove; a count does not move the figure', () => {
    expect(combineTiming([witness('camMark', 6, 0.5)])?.proved).toBe(false)
    expect(combineTiming([witness('camMark', 6, 0.5), witness('count', 0.6, 4.7)])).toMatchObject({
      proved: true,
      latenessDeg: 6,
    })
  })
  test('a count a tooth away contradicts the mark and is named', () => {
    expect(combineTiming([witness('camMark', 1, 0.5), witness('count', 19.5, 4.7)])).toMatchObject({
      proved: false,
      misfits: [{ entryId: 'count', offDeg: 18.5 }],
    })
  })
  test('nothing read is nothing said', () => expect(combineTiming([])).toBeUndefined())
})

test('whole teeth and leftover, late and early', () => {
  const ratio = { num: 1, den: 2 }
  expect(correctByTeeth(21, 38, ratio)).toMatchObject({ layTeeth: -1, leftoverDeg: expect.closeTo(2.053, 3) })
  expect(correctByTeeth(-18.4, 38, ratio)).toMatchObject({ layTeeth: 1, leftoverDeg: expect.closeTo(0.547, 3) })
  expect(correctByTeeth(3, 38, ratio)).toMatchObject({ layTeeth: 0, leftoverDeg: 3 })
})
