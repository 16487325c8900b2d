import { makeSliderCrank, type SliderCrank } from '../kinematics'
import { sigmaOfDivision } from './tdcFromPair'

/** The rod to stroke ratio taken where the rod is not known, and the usual range about it. Source: common practice. */
export const USUAL_ROD_RATIO = 1.75
export const USUAL_ROD_RATIOS = [1.5, 1.75, 2.2] as const

/** A slider-crank for judging slopes: the sheet's sizes, with the usual ratio for a rod that is not known. Undefined without a
 *  stroke, or with sizes that cannot turn. */
export function usualCrank({
  strokeMm,
  rodMm,
  pinOffsetMm = 0,
}: {
  readonly strokeMm: number | undefined
  readonly rodMm?: number | undefined
  readonly pinOffsetMm?: number | undefined
}): SliderCrank | undefined {
  if (strokeMm === undefined) return undefined
  const made = makeSliderCrank({ strokeMm, rodMm: rodMm ?? strokeMm * USUAL_ROD_RATIO, pinOffsetMm })
  return made.ok ? made.value : undefined
}

/** One sigma of a wheel reading at a drop set by a dial, degrees: the wheel's own and the dial's through the slope of the piston there.
 *  Without a known stroke the slope follows from the span: drop grows with the square of the angle near the top, so it is twice the
 *  drop over the half span. Source: handbook 3, s² = wheel² + (dial/slope)². */
export function dialReadingSigmaDeg({
  wheelSigmaDeg,
  readToMm,
  dropMm,
  halfSpanDeg,
}: {
  readonly wheelSigmaDeg: number
  readonly readToMm: number
  readonly dropMm: number
  readonly halfSpanDeg: number
}): number {
  const slopeMmPerDeg = (2 * dropMm) / halfSpanDeg
  return Math.hypot(wheelSigmaDeg, sigmaOfDivision(readToMm) / slopeMmPerDeg)
}

/** How far play in the bearings of rod and pin lets a piston stand otherwise, one sigma, mm. Common practice, no source. */
export const USUAL_PLAY_MM = 0.075
/** The same with what the rule for the slope may be wrong by at small drops. */
export const PLAY_SIGMA_MM = 0.08

/** How far one mm of play shifts the middle of a pair that was read turning one way: half of it over the slope there, the slope being twice the drop over
 *  the half span. Degrees. Source: handbook 3. */
export const playPerMmDeg = (halfSpanDeg: number, dropMm: number) => halfSpanDeg / (4 * dropMm)
