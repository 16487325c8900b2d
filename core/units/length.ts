import { ok, type Result } from '../result'
import { parseQuantity, type Parsed, type QuantityError, type UnitName } from './parseQuantity'

export type LengthUnit = 'mm' | 'cm' | 'm' | 'µm' | 'in' | 'ft' | 'thou'
export type LengthError = QuantityError<LengthUnit>

export const MM_PER_INCH = 25.4

/** Millimetres in one of each. */
export const MM_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  µm: 0.001,
  in: MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
  thou: MM_PER_INCH / 1000,
}

const units: readonly UnitName<LengthUnit>[] = [
  { unit: 'mm', pattern: /^(mm|millimetres?|millimeters?)\.?$/, worth: MM_PER.mm },
  { unit: 'cm', pattern: /^(cm|centimetres?|centimeters?)\.?$/, worth: MM_PER.cm },
  { unit: 'm', pattern: /^(m|metres?|meters?)\.?$/, worth: MM_PER.m },
  { unit: 'µm', pattern: /^(µm|um|microns?|micrometres?|micrometers?)\.?$/, worth: MM_PER.µm },
  { unit: 'ft', pattern: /^(ft|foot|feet)\.?$/, worth: MM_PER.ft },
  { unit: 'in', pattern: /^(in|ins|inch|inches|")\.?$/, worth: MM_PER.in },
  { unit: 'thou', pattern: /^(thou|thous|th|mil|mils)\.?$/, worth: MM_PER.thou },
]

/** Units that a number without one is asked about, or that a workshop may mean by it. */
export const BARE_UNITS = ['mm', 'in', 'thou'] as const
export type BareUnit = (typeof BARE_UNITS)[number]

/** A length as people write it (3/16", 1 1/2 in, 4.8mm, .004 in, 4 thou, 25 µm, 2 ft), in mm; the typed text is kept.
 *  With no unit it is in `bare`, and that is written behind what was typed; where nobody said, the error lists what it would be in mm, inches and thou. */
export function parseLength(text: string, bare?: BareUnit): Result<Parsed<LengthUnit>, LengthError> {
  const read = parseQuantity(text, { units, candidates: BARE_UNITS })
  if (read.ok || bare === undefined || read.error.code !== 'unitMissing') return read
  const meant = read.error.candidates.find(({ unit }) => unit === bare)
  return meant ? ok({ value: meant.value, unit: bare, typed: `${text.trim()} ${bare}` }) : read
}

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
