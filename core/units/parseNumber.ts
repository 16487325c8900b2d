import { err, ok, type Result } from '../result'
import { plainText } from './plainText'

export type NumberError =
  | { readonly code: 'empty' }
  | { readonly code: 'notANumber'; readonly text: string }
  | { readonly code: 'tooLarge' }
  /** A comma before three digits: part of a number to some, thousands to others. */
  | { readonly code: 'commaOrThousands'; readonly text: string; readonly part: number; readonly thousands: number }

const LARGEST = 1e6

const FRACTION = String.raw`(?:(\d{1,6})(?:\s+|-))?(\d{1,6})\s*\/\s*(\d{1,6})(?:ths?|rds?|nds?)?`
const aFraction = new RegExp(`^([+-]?)${FRACTION}$`, 'i')
const twoFractions = new RegExp(String.raw`^${FRACTION}\s*([+-])\s*(\d{1,6})\s*\/\s*(\d{1,6})(?:ths?|rds?|nds?)?$`, 'i')

/** Reads what people write as a number: 4.8, .004, 4,8, 3/16, 3/16ths, ⅜, 1 1/2, 1-1/2, 2½, 5/8-1/64, 1 000, -2. Plain numbers only, no unit.
 *  Errors: empty, not a number (a zero denominator too), over a million, and a comma before exactly three digits, which is asked about. */
export function parseNumber(text: string): Result<number, NumberError> {
  const plain = plainText(text)
  if (plain === '') return err({ code: 'empty' })
  const refused = err({ code: 'notANumber' as const, text })
  const two = twoFractions.exec(plain)
  if (two) {
    const [, whole, top, bottom, sign, otherTop, otherBottom] = two
    if (Number(bottom) === 0 || Number(otherBottom) === 0) return refused
    const other = Number(otherTop) / Number(otherBottom)
    return sized(Number(whole ?? 0) + Number(top) / Number(bottom) + (sign === '-' ? -other : other))
  }
  const fraction = aFraction.exec(plain)
  if (fraction) {
    const [, sign, whole, top, bottom] = fraction
    if (Number(bottom) === 0) return refused
    const size = Number(whole ?? 0) + Number(top) / Number(bottom)
    return sized(sign === '-' ? -size : size)
  }
  // Thousands apart by a blank.
  const digits = /^[+-]?\d{1,3}( \d{3})+([.,]\d+)?$/.test(plain) ? plain.replaceAll(' ', '') : plain
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(digits)) return refused
  const value = Number(digits.replace(',', '.'))
  if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(digits))
    return err({ code: 'commaOrThousands', text, part: value, thousands: Number(digits.replace(',', '')) })
  return sized(value)
}

const sized = (value: number): Result<number, NumberError> =>
  Math.abs(value) > LARGEST || !Number.isFinite(value) ? err({ code: 'tooLarge' }) : ok(value + 0)
