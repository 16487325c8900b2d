import type { RimPlace } from '../rim'
import { line, words, type PaperDrawing, type PaperPart } from './drawing'

/** A tape to wrap round a rim, cut at its ends, which meet on the datum: a tick at every degree, numbers at every ten as the rim's own
 *  angle before and after, and the marks as full lines with their names. Its length is the rim's circumference. */
export function tapeDrawing({
  circumferenceMm,
  widthMm = 24,
  places,
  degreesAlong,
}: {
  readonly circumferenceMm: number
  readonly widthMm?: number
  readonly places: readonly RimPlace[]
  /** Crank degrees after TDC at so many degrees along the tape from the datum, [-180, 180]. */
  readonly degreesAlong: (alongDeg: number) => number
}): PaperDrawing {
  const x = (deg: number) => (circumferenceMm * deg) / 360
  const parts: PaperPart[] = [
    line(0, 0, circumferenceMm, 0, 0.15),
    line(0, widthMm, circumferenceMm, widthMm, 0.15),
    line(0, 0, 0, widthMm, 0.3),
    line(circumferenceMm, 0, circumferenceMm, widthMm, 0.3),
  ]
  for (let deg = 0; deg <= 360; deg++) {
    parts.push(line(x(deg), 0, x(deg), deg % 10 === 0 ? 7 : deg % 5 === 0 ? 5 : 3, 0.12))
    if (deg % 10 === 0 && deg < 360) parts.push(words(x(deg), 10.5, degreeWords(degreesAlong(deg)), { sizeMm: 2.6 }))
  }
  for (const { name, fromDatumMm } of places) {
    parts.push(line(fromDatumMm, 0, fromDatumMm, widthMm, 0.5))
    parts.push(words(fromDatumMm + 1, widthMm - 2, name, { sizeMm: 3.2, anchor: 'start' }))
  }
  return { widthMm: circumferenceMm, heightMm: widthMm, parts }
}

const degreeWords = (deg: number) =>
  deg === 0 || Math.abs(deg) === 180 ? String(Math.abs(deg)) : deg < 0 ? `${-deg} b` : `${deg} a`
