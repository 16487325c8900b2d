import type { CauseCode } from './readings'

/* How often each cause is met, and how large it usually is: ours, from what is common at the bench. They weigh causes that explain the readings alike, and
 * never make one stand that does not. */

/** How often each is met, against the others. */
const OFTEN: { readonly [K in CauseCode | 'nothing']: number } = {
  nothing: 0.4,
  teeth: 0.15,
  gearTeeth: 0.1,
  halfTurn: 0.05,
  zeroOff: 0.05,
  crankKey: 0.04,
  slipped: 0.05,
  stretch: 0.12,
  skim: 0.06,
  slack: 0.06,
  lash: 0.1,
  wear: 0.08,
  wrongLift: 0.06,
  camSwapped: 0.02,
  mark: 0.06,
  wrongCam: 0.01,
}
/** A second cause beside the first is rarer than the same alone. */
const SECOND = 0.3

/** One sigma of each size, and the most there can be. */
export const USUAL = {
  /** %: 2% is a chain's end of life, so more is believed only when it was measured (handbook 10). */
  stretch: { sigma: 0.9, most: 2 },
  stretchMeasured: { sigma: 1.2, most: 4 },
  /** mm lower. */
  skim: { sigma: 1, most: 3 },
  /** mm on the pulled run. */
  slack: { sigma: 3, most: 12 },
  /** Crank degrees. */
  crankKey: { sigma: 12, most: 60 },
  slipped: { sigma: 12, most: 60 },
  zeroOff: { sigma: 8, most: 40 },
  mark: { sigma: 15, most: 180 },
  /** mm of lash. */
  lash: { sigma: 0.3, most: 1.5 },
  /** Degrees of duration, mm of top lift. */
  wear: { sigma: 7, most: 40 },
  wearLift: { sigma: 0.4, most: 3 },
  /** mm that the dial or the book's lift is off. */
  wrongLift: { sigma: 0.25, most: 1.5 },
  /** A camshaft that is not the book's: each of its lobes, degrees and mm. */
  wrongCam: { late: 8, duration: 12, lift: 0.5 },
} as const

/** Of so many teeth out on one camshaft, how often each. */
export const TEETH_OFTEN: Readonly<Record<number, number>> = { 0: 0.8, 1: 0.08, 2: 0.015, 3: 0.003 }
export const MOST_TEETH = 3

/** What a feeler, and a dial on a top lift, are read to: one sigma, mm. Common practice, no source. */
export const LASH_SIGMA_MM = 0.03
export const LIFT_SIGMA_MM = 0.05
/** Of a lobe under a cause that touches some of them, how often it is touched. */
export const TOUCHED = 0.35

/** How often such causes are met together, its logarithm. */
export const oftenOf = (causes: readonly CauseCode[]): number =>
  causes.length === 0
    ? Math.log(OFTEN.nothing)
    : causes.reduce((sum, code, i) => sum + Math.log(OFTEN[code] * (i > 0 ? SECOND : 1)), 0)
