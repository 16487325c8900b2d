import type { Result } from '../result'
import { parseQuantity, type Parsed, type QuantityError, type UnitName } from './parseQuantity'

export type LengthUnit = 'mm' | 'cm' | 'in' | 'thou'
export type LengthError = QuantityError<LengthUnit>

export const MM_PER_INCH = 25.4

const units: readonly UnitName<LengthUnit>[] = [
  { unit: 'mm', pattern: /^(mm|millimetres?|millimeters?)\.?$/, worth: 1 },
  { unit: 'cm', pattern: /^cm\.?$/, worth: 10 },
  { unit: 'in', pattern: /^(in|ins|inch|inches|"|″|'')\.?$/, worth: MM_PER_INCH },
  { unit: 'thou', pattern: /^(thou|thous|th|mil|mils)\.?$/, worth: MM_PER_INCH / 1000 },
]

/** A length as people write it (3/16", 1 1/2 in, 4.8mm, .004 in, 4 thou), in mm; the typed text is kept.
 *  With no unit the error lists what it would be in mm, inches and thou. */
export const parseLength = (text: string): Result<Parsed<LengthUnit>, LengthError> =>
  parseQuantity(text, { units, candidates: ['mm', 'in', 'thou'] })

/** 4.8 mm to the decimals asked for, without trailing noise such as -0. */
export const formatMm = (valueMm: number, decimals = 2) => `${fixed(valueMm, decimals)} mm`

/** Inches beside the millimetres: thou under 0.1 in, decimals above. */
export function formatInches(valueMm: number): string {
  const inches = valueMm / MM_PER_INCH
  return Math.abs(inches) < 0.1 ? `${fixed(inches * 1000, 1)} thou` : `${fixed(inches, 3)} in`
}

export const fixed = (value: number, decimals: number) => {
  const text = value.toFixed(decimals)
  return Number(text) === 0 ? (0).toFixed(decimals) : text
}
