import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { WheelScale } from '../model'
import { wrapTo360 } from '../units'
import { readScale, scaleSigmaDeg, showOnScale } from '.'

const full: WheelScale = { kind: 'full', rises: 'running', readToDeg: 0.5 }
const falling: WheelScale = { ...full, rises: 'against' }
const half: WheelScale = { kind: 'half', rises: 'running', readToDeg: 1 }
const quarter: WheelScale = { kind: 'quarter', rises: 'running', readToDeg: 1 }
/** Handbook 4: a rim of 534 mm; a tape used from its 10. */
const rim: WheelScale = {
  kind: 'rim',
  rises: 'running',
  circumferenceMm: 534,
  datumMm: 10,
  measure: 'wrapped',
  readToMm: 1,
}

const read = (text: string, scale: WheelScale) => {
  const result = readScale(text, scale)
  return result.ok ? result.value : result.error.code
}

describe('one place, however it is said', () => {
  test.each(['333', '27 before', '27 BTDC', '27° btdc', '27 b.t.d.c.', '27 b'])('%s on a rising wheel', (text) =>
    expect(read(text, full)).toBe(333),
  )
  test.each([
    ['27', falling, 333],
    ['27 before', falling, 333],
    ['27 after', full, 27],
    ['360', full, 0],
    ['27 before', half, 333],
    ['27 ATDC', half, 27],
    ['180', half, 180],
    ['30 BBDC', quarter, 150],
    ['30 after bottom', quarter, 210],
    ['30 before', quarter, 330],
  ] as const)('%s', (text, scale, deg) => expect(read(text, scale)).toBe(deg))
})

test('a bare number on a mirrored wheel is asked about, with the places it could be', () => {
  expect(readScale('27', half)).toEqual({
    ok: false,
    error: { code: 'placeMissing', places: ['beforeTop', 'afterTop'], number: 27 },
  })
  expect(readScale('27', quarter)).toMatchObject({ error: { places: { length: 4 } } })
  expect(read('0', half)).toBe(0)
  expect(readScale('0', quarter)).toMatchObject({ error: { places: ['afterTop', 'afterBottom'] } })
})

test('nonsense and numbers off the wheel are refused', () => {
  expect(read('', full)).toBe('empty')
  expect(read('about there', full)).toBe('notANumber')
  expect(read('361', full)).toBe('outOfRange')
  expect(read('-3', full)).toBe('outOfRange')
  expect(read('91', quarter)).toBe('outOfRange')
  expect(read('181 before', half)).toBe('outOfRange')
})

describe('a tape on the rim', () => {
  // Independently computed (handbook 4): 10 to 64 is 54 mm, 36.40° on 534 mm; the half stands at 37 on the tape.
  test('lengths from the datum are angles', () => {
    expect(read('10 mm', rim)).toBe(0)
    expect(read('64', rim)).toBeCloseTo(36.404, 3)
    expect(showOnScale(36.404 / 2, rim)).toBe('37.0 mm')
  })
  test('inches are taken too', () => expect(read('1 in', rim)).toBeCloseTo((360 * 15.4) / 534, 9))
  test('a chord from the datum mark is an arc', () => {
    const chord: WheelScale = { ...rim, datumMm: 0, measure: 'chord' }
    // Independently computed: 30° on 534 mm has a chord of 534/pi·sin 15° = 43.993 mm.
    expect(read('43.993', chord)).toBeCloseTo(30, 3)
    expect(showOnScale(30, chord)).toBe('44.0 mm')
    expect(read('200', chord)).toBe('chordTooLong')
  })
  test('1 mm at one contact is 0.337° of TDC (handbook 4, independently computed)', () =>
    expect((scaleSigmaDeg(rim) * Math.sqrt(12)) / 2).toBeCloseTo(0.337, 3))
})

test('what is shown reads back as the same place, on every kind of wheel', () => {
  const scales: WheelScale[] = [full, falling, half, quarter, rim, { ...rim, rises: 'against' }]
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 3599 }), fc.constantFrom(...scales), (tenths, scale) => {
      const deg = tenths / 10
      const back = readScale(showOnScale(deg, scale, 4), scale)
      expect(back.ok && Math.abs(wrapTo360(back.value - deg + 180) - 180)).toBeLessThan(1e-3)
    }),
  )
})
