import { err, ok, type Result } from '../result'
import { wheelDeg, wrapTo360, wrapToSigned180, type WheelDeg } from '../units'

export interface PairReading {
  readonly firstDeg: number
  readonly secondDeg: number
  /** One sigma of each reading, wheel degrees. */
  readonly sigmaDeg: number
}

export interface PairTdc {
  readonly wheelDeg: WheelDeg
  /** One sigma. */
  readonly sigmaDeg: number
  /** Half the angle between the readings: each stands so far from the top. */
  readonly halfSpanDeg: number
}

export type PairError =
  | { readonly code: 'stopsCoincide'; readonly spanDeg: number; readonly leastDeg: number }
  | { readonly code: 'stopsOpposed'; readonly spanDeg: number }

/** Readings closer than this cannot be halved to anything useful; further than that, TDC and BDC look alike. */
export const LEAST_SPAN_DEG = 4
export const MOST_SPAN_DEG = 176

/** TDC on the degree wheel: the middle of the shorter arc between two readings of the same piston height, one each side of the top:
 *  stop contacts, equal drops of a dial, the ends of a dwell.
 *  Units: wheel degrees rising in the running direction, [0, 360). Sigma of the middle: sqrt(s² + s²) / 2.
 *  Errors: stopsCoincide (nothing to halve), stopsOpposed (near 180° apart: TDC or BDC?).
 *  Holds for zero pin offset; `pinOffsetShift` gives the rest. Source: slider-crank symmetry about TDC. */
export function tdcFromPair(
  { firstDeg, secondDeg, sigmaDeg }: PairReading,
  leastSpanDeg = LEAST_SPAN_DEG,
): Result<PairTdc, PairError> {
  const spanDeg = wrapToSigned180(secondDeg - firstDeg)
  const size = Math.abs(spanDeg)
  if (size < leastSpanDeg) return err({ code: 'stopsCoincide', spanDeg: size, leastDeg: leastSpanDeg })
  if (size > MOST_SPAN_DEG) return err({ code: 'stopsOpposed', spanDeg: size })
  return ok({
    wheelDeg: wheelDeg(wrapTo360(firstDeg + spanDeg / 2)),
    sigmaDeg: (sigmaDeg * Math.SQRT2) / 2,
    halfSpanDeg: size / 2,
  })
}

/** One sigma of a reading taken to the nearest division: division / sqrt(12), the spread of even rounding. */
export const sigmaOfDivision = (division: number) => division / Math.sqrt(12)

/** One sigma that stands for both readings of a pair where they are read unlike well: chords far from the datum are blunter. */
export const pairSigmaDeg = (wheelSigmaAt: (deg: number) => number, firstDeg: number, secondDeg: number) =>
  Math.hypot(wheelSigmaAt(firstDeg), wheelSigmaAt(secondDeg)) / Math.SQRT2
