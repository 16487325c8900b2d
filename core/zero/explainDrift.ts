import { makeSliderCrank, type SliderCrankSize } from '../kinematics'
import { wheelDeg, wrapTo360, wrapToSigned180, type WheelDeg } from '../units'
import type { ZeroReading } from './combineZero'
import { playPerMmDeg } from './dialSigma'
import { pinOffsetShift } from './pinOffsetShift'
import { chiSquareLimit } from '../readings'

export type DriftCause = 'pinOffset' | 'play' | 'knocked'

export interface Drift {
  readonly cause: DriftCause
  /** TDC with the drift taken out, and its sigma. */
  readonly wheelDeg: WheelDeg
  readonly sigmaDeg: number
  /** Pin offset or play in mm, the step in degrees; undefined where stroke and rod are not known. */
  readonly amount: number | undefined
  readonly amountSigma: number | undefined
  /** Knocked: the last reading before the step. */
  readonly afterEntryId?: string | undefined
}

export type DriftAnswer =
  /** Too few pairs, or they agree. */
  | { readonly kind: 'none' }
  | { readonly kind: 'explained'; readonly drift: Drift }
  /** More than one cause would explain it; another pair at a drop far from the others would tell. */
  | { readonly kind: 'undecided'; readonly drifts: readonly Drift[]; readonly takeDropMm: number }
  /** They disagree, and none of the three causes explains it. */
  | { readonly kind: 'unexplained' }

interface Pair {
  readonly entryId: string
  readonly offDeg: number
  readonly sigmaDeg: number
  readonly dropMm: number
  readonly halfSpanDeg: number
  readonly oneWay: boolean
}

interface Fit {
  readonly chiSquare: number
  readonly atZero: number
  readonly atZeroSigma: number
  readonly slope: number
  readonly slopeSigma: number
}

/** A cause has to stand out by so many of its own sigma, and to beat a rival by so much of chi square. */
const STANDS_OUT = 3
const BEATS_BY = 4
/** The place of a step is chosen too: it is held against a knock. */
const CHOICE_COSTS = 2

/** Why the middles of dial pairs at several drops do not agree. An offset pin moves them more with more drop; play with both readings
 *  taken turning one way moves them more with less drop; a knocked wheel moves all after one moment. Pairs come in the order they were
 *  taken. Each cause is fitted as a straight line on its own measure and judged by chi square. Source: handbook 3. */
export function explainDrift(
  readings: readonly ZeroReading[],
  size: Omit<SliderCrankSize, 'pinOffsetMm'> | undefined,
): DriftAnswer {
  const about = readings[0]?.wheelDeg ?? 0
  const pairs = readings.flatMap(({ entryId, wheelDeg: deg, sigmaDeg, dropMm, halfSpanDeg, approach }): Pair[] =>
    dropMm === undefined || halfSpanDeg === undefined
      ? []
      : [
          {
            entryId,
            offDeg: wrapToSigned180(deg - about),
            sigmaDeg,
            dropMm,
            halfSpanDeg,
            oneWay: approach === 'oneWay',
          },
        ],
  )
  if (pairs.length < 3) return { kind: 'none' }
  const flat = fitLine(
    pairs,
    pairs.map(() => 0),
  )
  if (flat.chiSquare <= chiSquareLimit(pairs.length - 1)) return { kind: 'none' }
  const fits = [...offsetFits(pairs, size), ...playFits(pairs), ...knockFits(pairs)]
    .filter(({ fit, cause }) => {
      const standsOut = Math.abs(fit.slope) > STANDS_OUT * fit.slopeSigma
      return (
        standsOut &&
        fit.chiSquare <= chiSquareLimit(Math.max(1, pairs.length - 2)) &&
        (cause !== 'play' || fit.slope > 0)
      )
    })
    .sort((a, b) => a.chiSquare - b.chiSquare)
  const [best] = fits
  if (!best) return { kind: 'unexplained' }
  const drifts = fits
    .filter(({ chiSquare }) => chiSquare - best.chiSquare < BEATS_BY)
    .map(({ fit, cause, known, afterEntryId }): Drift => ({
      cause,
      wheelDeg: wheelDeg(wrapTo360(about + fit.atZero)),
      sigmaDeg: fit.atZeroSigma,
      amount: known ? fit.slope : undefined,
      amountSigma: known ? fit.slopeSigma : undefined,
      ...(afterEntryId === undefined ? {} : { afterEntryId }),
    }))
  const [first] = drifts
  if (first && drifts.length === 1) return { kind: 'explained', drift: first }
  return { kind: 'undecided', drifts, takeDropMm: farthestDropMm(pairs) }
}

interface Candidate {
  readonly cause: DriftCause
  readonly fit: Fit
  readonly chiSquare: number
  /** The slope is in true units. */
  readonly known: boolean
  readonly afterEntryId?: string
}

function offsetFits(pairs: readonly Pair[], size: Omit<SliderCrankSize, 'pinOffsetMm'> | undefined): Candidate[] {
  const known = size !== undefined && makeSliderCrank({ ...size, pinOffsetMm: 0 }).ok
  // Degrees for each mm of offset; without sizes the shape alone, which goes with the square of the angle.
  const per = pairs.map(({ halfSpanDeg }) =>
    known ? (pinOffsetShift({ ...size, pinOffsetMm: 1 }, halfSpanDeg) ?? 0) : (halfSpanDeg / 30) ** 2,
  )
  const fit = fitLine(pairs, per)
  return [{ cause: 'pinOffset', fit, chiSquare: fit.chiSquare, known }]
}

function playFits(pairs: readonly Pair[]): Candidate[] {
  if (!pairs.some(({ oneWay }) => oneWay)) return []
  const fit = fitLine(
    pairs,
    pairs.map(({ oneWay, halfSpanDeg, dropMm }) => (oneWay ? playPerMmDeg(halfSpanDeg, dropMm) : 0)),
  )
  return [{ cause: 'play', fit, chiSquare: fit.chiSquare, known: true }]
}

function knockFits(pairs: readonly Pair[]): Candidate[] {
  return pairs.slice(0, -1).map(({ entryId }, last) => {
    const fit = fitLine(
      pairs,
      pairs.map((_pair, i) => (i > last ? 1 : 0)),
    )
    return { cause: 'knocked', fit, chiSquare: fit.chiSquare + CHOICE_COSTS, known: true, afterEntryId: entryId }
  })
}

/** Weighted straight line through (x, middle). A flat x gives the mean and no slope. */
function fitLine(pairs: readonly Pair[], xs: readonly number[]): Fit {
  let [w, wx, wy, wxx, wxy] = [0, 0, 0, 0, 0]
  pairs.forEach(({ offDeg, sigmaDeg }, i) => {
    const weight = 1 / sigmaDeg ** 2
    const x = xs[i] ?? 0
    w += weight
    wx += weight * x
    wy += weight * offDeg
    wxx += weight * x * x
    wxy += weight * x * offDeg
  })
  const spread = w * wxx - wx * wx
  const level = spread < 1e-12 * Math.max(1, w * wxx)
  const slope = level ? 0 : (w * wxy - wx * wy) / spread
  const atZero = (wy - slope * wx) / w
  const chiSquare = pairs.reduce(
    (sum, { offDeg, sigmaDeg }, i) => sum + ((offDeg - atZero - slope * (xs[i] ?? 0)) / sigmaDeg) ** 2,
    0,
  )
  return {
    chiSquare,
    atZero,
    atZeroSigma: level ? 1 / Math.sqrt(w) : Math.sqrt(wxx / spread),
    slope,
    slopeSigma: level ? Infinity : Math.sqrt(w / spread),
  }
}

/** Where one more pair would tell most: half of the smallest drop, or twice the largest, whichever lies further from what was read. */
function farthestDropMm(pairs: readonly Pair[]): number {
  const drops = pairs.map(({ dropMm }) => dropMm)
  const [least, most] = [Math.min(...drops), Math.max(...drops)]
  return least > 1 ? least / 2 : most * 2
}
