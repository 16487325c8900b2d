import { err, ok, type Result } from '../result'
import { parseNumber, type NumberError } from './parseNumber'
import { plainText } from './plainText'

/** One way of writing a unit, and what one of it is worth in the canonical unit of its kind. */
export interface UnitName<U extends string> {
  readonly unit: U
  readonly pattern: RegExp
  readonly worth: number
}

export interface Parsed<U extends string> {
  readonly value: number
  readonly unit: U
  readonly typed: string
}

export type QuantityError<U extends string> =
  | NumberError
  | { readonly code: 'unitUnknown'; readonly unit: string }
  | { readonly code: 'unitMissing'; readonly candidates: readonly { unit: U; value: number }[] }

/** A number with its unit. With none, the answer is what the number would be in each unit that is asked about. */
export function parseQuantity<U extends string>(
  text: string,
  { units, candidates }: { readonly units: readonly UnitName<U>[]; readonly candidates: readonly U[] },
): Result<Parsed<U>, QuantityError<U>> {
  const typed = text.trim()
  const split = /^(.*?[\d.,])\s*([a-zµ°"'·.\-*/\s]*)$/i.exec(plainText(typed))
  if (!split) {
    const number = parseNumber(typed)
    return number.ok ? err({ code: 'notANumber', text }) : number
  }
  const [, numberText = '', behind = ''] = split
  // 3/16ths
  const unitText = numberText.includes('/') ? behind.replace(/^(ths?|rds?|nds?)\b/i, '') : behind
  const number = parseNumber(numberText)
  if (!number.ok) return number
  const name = unitText.trim().toLowerCase()
  if (name === '') {
    const meant = candidates.map((unit) => ({ unit, value: number.value * worthOf(units, unit) }))
    return err({ code: 'unitMissing', candidates: meant })
  }
  const found = units.find(({ pattern }) => pattern.test(name))
  if (!found) return err({ code: 'unitUnknown', unit: unitText.trim() })
  return ok({ value: number.value * found.worth, unit: found.unit, typed })
}

const worthOf = <U extends string>(units: readonly UnitName<U>[], unit: U) =>
  units.find((name) => name.unit === unit)?.worth ?? NaN
