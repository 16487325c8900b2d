import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  formatInches,
  formatLateness,
  formatMm,
  handOfTurn,
  MM_PER_INCH,
  parseDegrees,
  parseDirection,
  parseLength,
  parseNumber,
  parseTorque,
  planeFromUp,
  ratioOf,
  torqueIn,
  upFromPlane,
  wrapTo360,
  wrapToCycle,
  wrapToSigned180,
} from '.'

const value = (text: string) => {
  const parsed = parseLength(text)
  return parsed.ok ? parsed.value.value : parsed.error.code
}

describe('lengths as people write them', () => {
  test.each([
    ['3/16"', (3 / 16) * 25.4],
    ['1 1/2 in', 38.1],
    ['1-1/2 inches', 38.1],
    ['4.8mm', 4.8],
    ['4,8 mm', 4.8],
    ['.004 in', 0.1016],
    ['4 thou', 0.1016],
    ['-2 mm', -2],
    ['2½ in', 63.5],
    ['1.2 cm', 12],
  ])('%s', (text, wanted) => expect(value(text)).toBeCloseTo(wanted, 9))

  test.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'notANumber'],
    ['mm', 'notANumber'],
    ['1/0 in', 'notANumber'],
    ['1.2.3 mm', 'notANumber'],
    ['1e5 mm', 'notANumber'],
    ['4 furlongs', 'unitUnknown'],
    ['9999999 mm', 'tooLarge'],
    ['0.07', 'unitMissing'],
    ['NaN', 'notANumber'],
    ['Infinity mm', 'notANumber'],
  ])('%s is refused: %s', (text, code) => expect(value(text)).toBe(code))

  test('a missing unit is answered with what the number would be in each', () => {
    const parsed = parseLength('0.07')
    expect(parsed.ok === false && parsed.error.code === 'unitMissing' && parsed.error.candidates).toEqual([
      { unit: 'mm', value: 0.07 },
      { unit: 'in', value: 0.07 * MM_PER_INCH },
      { unit: 'thou', value: 0.07 * 0.0254 },
    ])
  })

  test('a missing unit is the one that was said for the list, and is written behind; one that is typed counts', () => {
    expect(parseLength('8', 'thou')).toEqual({ ok: true, value: { value: 0.2032, unit: 'thou', typed: '8 thou' } })
    expect(parseLength('0.20 mm', 'thou')).toEqual({ ok: true, value: { value: 0.2, unit: 'mm', typed: '0.20 mm' } })
    expect(parseLength('eight', 'thou').ok).toBe(false)
  })

  test('parse and format are inverses to the precision shown', () => {
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (length) => {
        expect(value(formatMm(length))).toBeCloseTo(length, 1)
        const inches = value(formatInches(length))
        expect(Math.abs(Number(inches) - length)).toBeLessThanOrEqual(0.0128)
      }),
    )
  })
})

describe('torque', () => {
  // Published: NIST SP 811, 1 ft·lbf = 1.355818 N·m.
  test('one foot-pound', () =>
    expect(parseTorque('1 ft-lb')).toMatchObject({ value: { value: expect.closeTo(1.355818, 6) } }))
  // Independently computed (handbook 15): 11 ft-lb = 132 in-lb.
  test('11 ft-lb is 132 in-lb', () => {
    const parsed = parseTorque('11 ft-lb')
    expect(parsed.ok && torqueIn(parsed.value.value, 'in-lb')).toBeCloseTo(132, 9)
  })
  test.each(['15 Nm', '15 N·m', '15 n.m', '11 lb ft', '11 ft lbs', '132 in lb'])('%s is read', (text) =>
    expect(parseTorque(text).ok).toBe(true),
  )
  test('"pounds" alone is no torque', () =>
    expect(parseTorque('11 pounds')).toMatchObject({ ok: false, error: { code: 'unitUnknown' } }))
})

describe('angles', () => {
  test.each([
    ['27°', 27],
    ['27.5', 27.5],
    ['-3 deg', -3],
    ['27 1/2', 27.5],
  ])('%s', (text, deg) => expect(parseDegrees(text)).toEqual({ ok: true, value: deg }))
  test('out of range says the range', () =>
    expect(parseDegrees('400', { least: 0, most: 360 })).toEqual({
      ok: false,
      error: { code: 'outOfRange', least: 0, most: 360 },
    }))
  test.each([
    ["12 o'clock", 90],
    ["3 o'clock", 0],
    ["10 o'clock", 150],
    ['half past nine', 165],
    ['9:30', 165],
    ['30', 60],
  ])('%s points to %i in the plane', (text, deg) => {
    const parsed = parseDirection(text === 'half past nine' ? 'half past 9' : text)
    expect(parsed.ok && parsed.value).toBeCloseTo(deg, 9)
  })
  test("13 o'clock is refused", () => expect(parseDirection("13 o'clock").ok).toBe(false))
  test('up and plane are inverses', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 359.9, noNaN: true }), (deg) => {
        expect(upFromPlane(planeFromUp(deg))).toBeCloseTo(deg, 9)
      }),
    )
  })
  test('lateness in words', () => {
    expect([formatLateness(5), formatLateness(-0.5), formatLateness(-0.04)]).toEqual([
      '5.0° late',
      '0.5° early',
      '0.0°, on the mark',
    ])
  })
})

describe('wrapping', () => {
  test.each([
    [0, 0],
    [-0, 0],
    [360, 0],
    [-360, 0],
    [1085, 5],
    [-1, 359],
    [-1e-17, 0],
  ])('wrapTo360(%d) = %d', (deg, wanted) => expect(Object.is(wrapTo360(deg), wanted)).toBe(true))
  test('ends of the signed turn', () =>
    expect([180, -180, 181, -1e-17].map(wrapToSigned180)).toEqual([180, 180, -179, 0]))
  test('725 is 5 only when asked', () => expect(wrapToCycle(725, 720)).toBe(5))
  test('always in range', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (deg) => {
        expect(wrapTo360(deg)).toBeGreaterThanOrEqual(0)
        expect(wrapTo360(deg)).toBeLessThan(360)
        expect(Math.abs(wrapToSigned180(deg))).toBeLessThanOrEqual(180)
      }),
    )
  })
})

test('ratios are exact and in lowest terms', () => {
  expect(ratioOf(19, 38)).toEqual({ num: 1, den: 2 })
  expect(ratioOf(-20, -40)).toEqual({ num: 1, den: 2 })
  expect(ratioOf(20, -40)).toEqual({ num: -1, den: 2 })
  expect(() => ratioOf(1, 0)).toThrow()
})

test('clockwise follows the side one stands at, the shaft and the sense of the turn', () => {
  const running = 'clockwise'
  expect(handOfTurn({ sign: 1, running, side: 'timing' })).toBe('clockwise')
  expect(handOfTurn({ sign: 1, running, side: 'opposite' })).toBe('anticlockwise')
  expect(handOfTurn({ sign: -1, running, side: 'opposite' })).toBe('clockwise')
})

test('a number is a number', () => {
  expect(parseNumber('1 3/4')).toEqual({ ok: true, value: 1.75 })
  expect(parseNumber('0x10').ok).toBe(false)
})
