import { err, ok, type Result } from '../result'

export type NumberError =
  { readonly code: 'empty' } | { readonly code: 'notANumber'; readonly text: string } | { readonly code: 'tooLarge' }

const LARGEST = 1e6

/** Reads what people write as a number: 4.8, .004, 4,8, 3/16, 1 1/2, 1-1/2, -2. Plain numbers only, no unit.
 *  Errors: empty, not a number (a zero denominator too), over a million. */
export function parseNumber(text: string): Result<number, NumberError> {
  const trimmed = text
    .trim()
    .replace(/[−–]/g, '-')
    .replace(/½/g, ' 1/2')
    .replace(/¼/g, ' 1/4')
    .replace(/¾/g, ' 3/4')
    .trim()
  if (trimmed === '') return err({ code: 'empty' })
  const fraction = /^([+-]?)(?:(\d{1,6})(?:\s+|-))?(\d{1,6})\s*\/\s*(\d{1,6})$/.exec(trimmed)
  if (fraction) {
    const [, sign, whole, top, bottom] = fraction
    if (Number(bottom) === 0) return err({ code: 'notANumber', text })
    const size = Number(whole ?? 0) + Number(top) / Number(bottom)
    return sized(sign === '-' ? -size : size)
  }
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed)) return err({ code: 'notANumber', text })
  return sized(Number(trimmed.replace(',', '.')))
}

const sized = (value: number): Result<number, NumberError> =>
  Math.abs(value) > LARGEST || !Number.isFinite(value) ? err({ code: 'tooLarge' }) : ok(value + 0)
