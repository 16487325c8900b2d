import { err, ok, type Result } from '../result'
import { fixed } from './length'
import { parseNumber, type NumberError } from './parseNumber'
import { wrapTo360 } from './wrap'

export type AngleError = NumberError | { readonly code: 'outOfRange'; readonly least: number; readonly most: number }

/** Degrees as written: 27, 27.5°, 27 1/2, -3 deg. The range is inclusive at both ends. */
export function parseDegrees(
  text: string,
  { least = -720, most = 720 }: { least?: number; most?: number } = {},
): Result<number, AngleError> {
  const number = parseNumber(text.replace(/\s*(°|deg(rees?)?\.?)\s*$/i, ''))
  if (!number.ok) return number
  return number.value < least || number.value > most ? err({ code: 'outOfRange', least, most }) : number
}

/** A direction in the plane (counter-clockwise from +x, seen from the timing side) from what a mechanic says while
 *  standing at the timing side: "10 o'clock", "half past nine", or degrees clockwise from straight up. */
export function parseDirection(text: string): Result<number, AngleError> {
  const clock = /^(half past\s+)?(\d{1,2})(?::(\d{2}))?\s*(o'?\s?clock|oclock|h)?$/i.exec(text.trim().replace('’', "'"))
  if (clock && (clock[1] || clock[3] || clock[4])) {
    const hour = Number(clock[2])
    const minute = clock[1] ? 30 : Number(clock[3] ?? 0)
    if (hour < 1 || hour > 12 || minute > 59) return err({ code: 'notANumber', text })
    return ok(planeFromUp((hour % 12) * 30 + minute / 2))
  }
  const degrees = parseDegrees(text, { least: -360, most: 360 })
  return degrees.ok ? ok(planeFromUp(degrees.value)) : degrees
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
