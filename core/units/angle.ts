import { err, ok, type Result } from '../result'
import { fixed } from './length'
import { parseNumber, type NumberError } from './parseNumber'
import { plainText } from './plainText'
import { wrapTo360 } from './wrap'

export type AngleError =
  | NumberError
  | { readonly code: 'outOfRange'; readonly least: number; readonly most: number }
  /** A full stop between hours and minutes: half past nine to some, 9.3 degrees to others. */
  | { readonly code: 'clockOrDegrees'; readonly clock: string; readonly deg: number }

/** Degrees as written: 27, 27.5°, 27 1/2, 12°30', -3 deg. The range is inclusive at both ends. */
export function parseDegrees(
  text: string,
  { least = -720, most = 720 }: { least?: number; most?: number } = {},
): Result<number, AngleError> {
  const plain = plainText(text)
  const minutes = /^([+-]?)(\d{1,3})\s*°\s*(\d{1,2})\s*'\s*(?:(\d{1,2})\s*"\s*)?$/.exec(plain)
  if (minutes) {
    const [, sign, whole, min, sec] = minutes
    if (Number(min) > 59 || Number(sec ?? 0) > 59) return err({ code: 'notANumber', text })
    const size = Number(whole) + Number(min) / 60 + Number(sec ?? 0) / 3600
    return within(sign === '-' ? -size : size, { least, most })
  }
  const number = parseNumber(plain.replace(/\s*(°|deg(rees?)?\.?)\s*$/i, ''))
  if (!number.ok) return number
  return within(number.value, { least, most })
}

const within = (deg: number, { least, most }: { least: number; most: number }): Result<number, AngleError> =>
  deg < least || deg > most ? err({ code: 'outOfRange', least, most }) : ok(deg)

const HOURS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const hourIn = `(\\d{1,2}|${HOURS.join('|')})`
const clockPatterns = [
  new RegExp(`^(?:(half|quarter) (past|to) )${hourIn}(?: ?o'? ?clock)?$`, 'i'),
  new RegExp(`^${hourIn}(?: (1/2|1/4|3/4))? ?(?:o'? ?clock|h)$`, 'i'),
]

/** A direction in the plane (counter-clockwise from +x, seen from the timing side) from what a mechanic says while
 *  standing at the timing side: "10 o'clock", "9½ o'clock", "half past nine", "9:30", or degrees clockwise from straight up. "9.30" is asked about. */
export function parseDirection(text: string): Result<number, AngleError> {
  const plain = plainText(text)
  const hours = hoursOf(plain)
  if (hours === 'noClock') return err({ code: 'notANumber', text })
  if (hours !== undefined) return ok(planeFromUp((hours % 12) * 30))
  const stop = /^(\d{1,2})\.([0-5]\d)$/.exec(plain)
  if (stop && Number(stop[1]) >= 1 && Number(stop[1]) <= 12)
    return err({ code: 'clockOrDegrees', clock: `${stop[1]}:${stop[2]}`, deg: Number(plain) })
  const degrees = parseDegrees(plain, { least: -360, most: 360 })
  return degrees.ok ? ok(planeFromUp(degrees.value)) : degrees
}

/** Hours on a clock face; undefined where it does not speak of one. */
function hoursOf(plain: string): number | 'noClock' | undefined {
  const hour = (word: string) => HOURS.indexOf(word.toLowerCase()) + 1 || Number(word)
  const onFace = (h: number, part: number) => (h < 1 || h > 12 ? 'noClock' : (h + part + 12) % 12)
  const [past, whole] = clockPatterns.map((pattern) => pattern.exec(plain))
  if (past) {
    const part = (past[1]?.toLowerCase() === 'half' ? 0.5 : 0.25) * (past[2]?.toLowerCase() === 'to' ? -1 : 1)
    return onFace(hour(past[3] ?? ''), part)
  }
  if (whole) return onFace(hour(whole[1] ?? ''), { '1/2': 0.5, '1/4': 0.25, '3/4': 0.75 }[whole[2] ?? ''] ?? 0)
  const colon = /^(\d{1,2}):(\d{2})(?: ?(?:o'? ?clock|h))?$/i.exec(plain)
  if (!colon) return undefined
  return Number(colon[2]) > 59 ? 'noClock' : onFace(Number(colon[1]), Number(colon[2]) / 60)
}

/** Clockwise-from-up to the plane's frame and back: each is its own inverse. */
export const planeFromUp = (clockwiseFromUpDeg: number) => wrapTo360(90 - clockwiseFromUpDeg)
export const upFromPlane = (planeDeg: number) => wrapTo360(90 - planeDeg)

export const formatDeg = (deg: number, decimals = 1) => `${fixed(deg, decimals)}°`

/** "5.0° late", "0.5° early", "on the mark". */
export function formatLateness(latenessDeg: number, decimals = 1): string {
  const size = fixed(Math.abs(latenessDeg), decimals)
  if (Number(size) === 0) return `${size}°, on the mark`
  return `${size}° ${latenessDeg > 0 ? 'late' : 'early'}`
}
