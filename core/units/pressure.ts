import { err, ok, type Result } from '../result'
import { parseNumber, type NumberError } from './parseNumber'
import { parseQuantity, type Parsed, type QuantityError, type UnitName } from './parseQuantity'
import { plainText } from './plainText'

export type PressureUnit = 'bar' | 'psi' | 'kgf/cm²' | 'kPa' | 'MPa'

/** Source: NIST SP 811. */
export const BAR_PER_PSI = 0.06894757
const BAR_PER_KGF_CM2 = 0.980665

const units: readonly UnitName<PressureUnit>[] = [
  { unit: 'bar', pattern: /^bars?$/, worth: 1 },
  { unit: 'psi', pattern: /^(psi|lbs?\.?\s*(\/|per|sq)?\s*(in2?|inch|sq\.?\s*in)?\.?)$/, worth: BAR_PER_PSI },
  { unit: 'kgf/cm²', pattern: /^(kgf?|kp|at)\s*(\/\s*cm)?$/, worth: BAR_PER_KGF_CM2 },
  { unit: 'kPa', pattern: /^kpa$/, worth: 0.01 },
  { unit: 'MPa', pattern: /^mpa$/, worth: 10 },
]

export type PressureError = QuantityError<PressureUnit> | { readonly code: 'outOfRange'; least: number; most: number }

/** A pressure as people write it (9.6 bar, 140 psi, 10 kg/cm2), in bar, from 0 to 400. Without a unit: asked, as 9 bar and 9 psi are both written. */
export function parsePressure(text: string): Result<Parsed<PressureUnit>, PressureError> {
  const read = parseQuantity(text.replace(/cm\s*[2²]\s*$/i, 'cm'), { units, candidates: ['bar', 'psi'] })
  if (!read.ok) return read
  return read.value.value < 0 || read.value.value > 400 ? err({ code: 'outOfRange', least: 0, most: 400 }) : read
}

/** Per cent, with or without its sign, from 0 to 100. */
export function parsePercent(
  text: string,
): Result<number, NumberError | { readonly code: 'outOfRange'; readonly least: number; readonly most: number }> {
  const number = parseNumber(plainText(text).replace(/\s*%$/, ''))
  if (!number.ok) return number
  return number.value < 0 || number.value > 100 ? err({ code: 'outOfRange', least: 0, most: 100 }) : ok(number.value)
}
