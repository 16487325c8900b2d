import { err, type Result } from '../result'
import { parseQuantity, type Parsed, type QuantityError, type UnitName } from './parseQuantity'

export type TorqueUnit = 'N·m' | 'ft-lb' | 'in-lb' | 'kgf·m'

/** Source: NIST SP 811. */
export const NM_PER_FT_LB = 1.3558179483
export const NM_PER_KGF_M = 9.80665

const units: readonly UnitName<TorqueUnit>[] = [
  { unit: 'N·m', pattern: /^n\s*[·.\-*]?\s*m\.?$/, worth: 1 },
  { unit: 'ft-lb', pattern: /^(ft|foot|feet)[\s.·/-]*(lb|lbs|lbf|pounds?)\.?$/, worth: NM_PER_FT_LB },
  { unit: 'ft-lb', pattern: /^(lbs?f?|pounds?)[\s.·/-]*(ft|foot|feet)\.?$/, worth: NM_PER_FT_LB },
  { unit: 'in-lb', pattern: /^(in|ins|inch)[\s.·/-]*(lb|lbs|lbf|pounds?)\.?$/, worth: NM_PER_FT_LB / 12 },
  { unit: 'in-lb', pattern: /^(lbs?f?|pounds?)[\s.·/-]*(in|ins|inch)\.?$/, worth: NM_PER_FT_LB / 12 },
  { unit: 'kgf·m', pattern: /^(kgf?|kp)\s*[·.\-*]?\s*m\.?$/, worth: NM_PER_KGF_M },
]

/** A torque as people write it (11 ft-lb, 132 in-lb, 15 Nm, 1.5 kgm), in N·m. "Pounds" alone is no torque unit and is refused. */
export const parseTorque = (text: string): Result<Parsed<TorqueUnit>, QuantityError<TorqueUnit>> =>
  parseQuantity(text, { units, candidates: ['N·m', 'ft-lb', 'in-lb'] })

export type TorqueError = QuantityError<TorqueUnit> | { readonly code: 'outOfRange'; least: number; most: number }

/** The same within limits, N·m. */
export function parseTorqueWithin(
  text: string,
  { least, most }: { readonly least: number; readonly most: number },
): Result<Parsed<TorqueUnit>, TorqueError> {
  const read = parseTorque(text)
  if (!read.ok) return read
  return read.value.value < least || read.value.value > most ? err({ code: 'outOfRange', least, most }) : read
}

export const torqueIn = (newtonMetres: number, unit: TorqueUnit) =>
  newtonMetres / { 'N·m': 1, 'ft-lb': NM_PER_FT_LB, 'in-lb': NM_PER_FT_LB / 12, 'kgf·m': NM_PER_KGF_M }[unit]
