import { describe, expect, test } from 'vitest'
import { parsePercent, parsePressure } from '.'

/* Golden values: NIST SP 811. */
describe('a pressure as it is written', () => {
  test.each([
    ['9.6 bar', 9.6],
    ['140 psi', 9.6527],
    ['140 lb', 9.6527],
    ['10 kg/cm2', 9.80665],
    ['960 kPa', 9.6],
    ['1.2 MPa', 12],
  ])('%s', (text, bar) => {
    const read = parsePressure(text)
    expect(read.ok && read.value.value).toBeCloseTo(bar, 3)
  })
  test('without a unit it is asked, and nothing impossible is taken', () => {
    expect(parsePressure('140')).toMatchObject({ ok: false, error: { code: 'unitMissing' } })
    expect(parsePressure('9000 bar')).toMatchObject({ ok: false, error: { code: 'outOfRange' } })
    expect(parsePressure('a few')).toMatchObject({ ok: false })
    expect(parsePressure('9 furlongs')).toMatchObject({ ok: false, error: { code: 'unitUnknown' } })
  })
})

test('what leaks away, per cent', () => {
  expect(parsePercent('12%')).toEqual({ ok: true, value: 12 })
  expect(parsePercent('12')).toEqual({ ok: true, value: 12 })
  expect(parsePercent('120')).toMatchObject({ ok: false, error: { code: 'outOfRange' } })
})
