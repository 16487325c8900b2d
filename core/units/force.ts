import { err, type Result } from '../result'
import { parseQuantity, type Parsed, type QuantityError, type UnitName } from './parseQuantity'

export type ForceUnit = 'N' | 'kN' | 'lb' | 'kg'
export type ForceError = QuantityError<ForceUnit> | { readonly code: 'outOfRange'; least: number; most: number }

/** Source: NIST SP 811. */
export const NEWTONS_PER_POUND = 4.4482216
const NEWTONS_PER_KGF = 9.80665

const units: readonly UnitName<ForceUnit>[] = [
  { unit: 'N', pattern: /^(n|newtons?)$/, worth: 1 },
  { unit: 'kN', pattern: /^kn$/, worth: 1000 },
  { unit: 'lb', pattern: /^(lbf?s?\.?|pounds?)$/, worth: NEWTONS_PER_POUND },
  { unit: 'kg', pattern: /^(kgf?|kp|kilos?)$/, worth: NEWTONS_PER_KGF },
]

/** A force as people write it (49 N, 11 lb, 5 kg), in newtons. Without a unit: asked, as 11 N and 11 lb are both written. */
export function parseForce(
  text: string,
  { least, most }: { readonly least: number; readonly most: number },
): Result<Parsed<ForceUnit>, ForceError> {
  const read = parseQuantity(text, { units, candidates: ['N', 'lb'] })
  if (!read.ok) return read
  return read.value.value < least || read.value.value > most ? err({ code: 'outOfRange', least, most }) : read
}
