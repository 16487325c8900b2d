import type { WheelScale } from '../model/entry'
import { err, ok, type Result } from '../result'
import {
  degFromRad,
  fixed,
  parseDegrees,
  parseLength,
  plainText,
  radFromDeg,
  wheelDeg,
  wrapTo360,
  wrapToSigned180,
  type AngleError,
  type LengthError,
  type WheelDeg,
} from '../units'

/** Which part of a mirrored wheel a bare number could stand on: degrees before or after its top 0 or its bottom 0. */
export type WheelPlace = 'beforeTop' | 'afterTop' | 'beforeBottom' | 'afterBottom'

export type ScaleError =
  | AngleError
  | LengthError
  /** The number stands on the wheel more than once; every place it could be. */
  | { readonly code: 'placeMissing'; readonly places: readonly WheelPlace[]; readonly number: number }
  | { readonly code: 'chordTooLong'; readonly chordMm: number; readonly mostMm: number }

const bottom = String.raw`(?:b\.?d\.?c\.?|bottom(?: dead cent(?:re|er))?)`
const top = String.raw`(?:t\.?d\.?c\.?|t\.?c\.?|top(?: dead cent(?:re|er))?)`
const said: readonly (readonly [string, WheelPlace])[] = [
  [String.raw`(?:b\.?b\.?d\.?c\.?|before ${bottom})`, 'beforeBottom'],
  [String.raw`(?:a\.?b\.?d\.?c\.?|after ${bottom})`, 'afterBottom'],
  [String.raw`(?:b\.?t\.?d?\.?c\.?|before(?: ${top})?|b)`, 'beforeTop'],
  [String.raw`(?:a\.?t\.?d?\.?c\.?|after(?: ${top})?|a)`, 'afterTop'],
]
/* Said after the number, or before it. */
const words = said.map(([pattern, place]) => ({
  place,
  behind: new RegExp(`^(.*?)\\s*${pattern}$`, 'i'),
  ahead: new RegExp(`^${pattern}\\s+(.*)$`, 'i'),
}))

const sinceTop: Record<WheelPlace, (number: number) => number> = {
  beforeTop: (number) => -number,
  afterTop: (number) => number,
  beforeBottom: (number) => 180 - number,
  afterBottom: (number) => 180 + number,
}

/** What somebody reads at the pointer, brought to degrees that rise in the running direction, [0, 360).
 *  A wheel numbered 0-360 takes bare numbers; "27 before", "27 BTDC" and, where its numbers rise as it runs, "333" are one place.
 *  On 0-180-0 and 0-90-0-90 a bare number stands in several places: the error lists them. On a rim the reading is a length
 *  along the tape, or a chord from the datum mark. Errors: not a number, out of range, place missing, chord over the diameter. */
export function readScale(text: string, scale: WheelScale): Result<WheelDeg, ScaleError> {
  if (scale.kind === 'rim') return readRim(text, scale)
  const plain = plainText(text).replace(/\s+/g, ' ')
  const [found] = words.flatMap(({ place, behind, ahead }) => {
    const [, rest] = behind.exec(plain) ?? ahead.exec(plain) ?? []
    return rest === undefined ? [] : [{ place, rest }]
  })
  const most = { full: 360, half: 180, quarter: 90 }[scale.kind]
  const number = parseDegrees(found?.rest ?? plain, { least: 0, most: found ? 180 : most })
  if (!number.ok) return number
  if (found) return ok(wheelDeg(wrapTo360(sinceTop[found.place](number.value))))
  if (scale.kind === 'full') return ok(wheelDeg(wrapTo360(scale.rises === 'running' ? number.value : -number.value)))
  const places = placesOf(number.value, scale.kind)
  const [only] = places
  if (places.length === 1 && only) return ok(wheelDeg(wrapTo360(sinceTop[only](number.value))))
  return err({ code: 'placeMissing', places, number: number.value })
}

function placesOf(number: number, kind: 'half' | 'quarter'): WheelPlace[] {
  if (kind === 'half') return number === 0 || number === 180 ? ['afterTop'] : ['beforeTop', 'afterTop']
  if (number === 0) return ['afterTop', 'afterBottom']
  if (number === 90) return ['beforeTop', 'afterTop']
  return ['beforeTop', 'afterTop', 'beforeBottom', 'afterBottom']
}

type Rim = Extract<WheelScale, { kind: 'rim' }>

function readRim(text: string, scale: Rim): Result<WheelDeg, ScaleError> {
  // A tape is read in its own unit: a bare number is millimetres.
  const bare = /^[+-]?[\d.,\s/]+$/.test(text.trim()) ? `${text.trim()} mm` : text
  const length = parseLength(bare)
  if (!length.ok) return length
  const { circumferenceMm, datumMm } = scale
  const sign = scale.rises === 'running' ? 1 : -1
  if (scale.measure === 'wrapped') {
    return ok(wheelDeg(wrapTo360((sign * 360 * (length.value.value - datumMm)) / circumferenceMm)))
  }
  const diameterMm = circumferenceMm / Math.PI
  const chordMm = length.value.value
  if (Math.abs(chordMm) > diameterMm) return err({ code: 'chordTooLong', chordMm, mostMm: diameterMm })
  return ok(wheelDeg(wrapTo360(sign * 2 * degFromRad(Math.asin(chordMm / diameterMm)))))
}

/** A place on the wheel as it would be read there: the inverse of `readScale`, to the decimals asked for. */
export function showOnScale(deg: number, scale: WheelScale | undefined, decimals = 1): string {
  if (!scale || scale.kind === 'full') {
    const shown = wrapTo360(scale?.rises === 'against' ? -deg : deg)
    return `${fixed(Number(fixed(shown, decimals)) >= 360 ? 0 : shown, decimals)}°`
  }
  if (scale.kind === 'rim') return `${fixed(rimReadingMm(deg, scale), decimals)} mm`
  const fromTop = ((wrapTo360(deg) + 180) % 360) - 180
  if (scale.kind === 'half' || Math.abs(fromTop) <= 90)
    return side(fromTop, decimals, scale.kind === 'half' ? '' : ' top')
  return side(wrapTo360(deg) - 180, decimals, ' bottom')
}

const side = (deg: number, decimals: number, end: string) =>
  `${fixed(Math.abs(deg), decimals)}° ${deg < 0 ? 'before' : 'after'}${end}`

/** Where on the tape, or at what chord from the datum, a place of the rim is, mm. A chord reaches half way round either way. */
function rimReadingMm(deg: number, scale: Rim): number {
  const along = wrapTo360(scale.rises === 'running' ? deg : -deg)
  if (scale.measure === 'wrapped') return scale.datumMm + (along * scale.circumferenceMm) / 360
  const signed = along > 180 ? along - 360 : along
  return (scale.circumferenceMm / Math.PI) * Math.sin(radFromDeg(signed / 2))
}

/** One sigma of one reading, degrees: the division over the square root of twelve, the spread of even rounding. A chord is blunter the further it reaches
 *  from the datum: by the cosine of half its angle, and straight across by what a chord as long as the rim is wide can still tell. `atDeg`: where on the
 *  wheel; without it a chord of a sixth of a turn is meant. */
export function scaleSigmaDeg(scale: WheelScale, atDeg = 60): number {
  if (scale.kind !== 'rim') return scale.readToDeg / Math.sqrt(12)
  const alongMm = scale.readToMm / Math.sqrt(12)
  const along = (360 * alongMm) / scale.circumferenceMm
  if (scale.measure === 'wrapped') return along
  const half = radFromDeg(wrapToSigned180(atDeg) / 2)
  const across = degFromRad(2 * Math.sqrt((2 * alongMm * Math.PI) / scale.circumferenceMm))
  return Math.min(along / Math.max(Math.cos(half), 1e-9), across)
}
