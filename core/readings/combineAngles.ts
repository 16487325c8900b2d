import { wrapToSigned180 } from '../units'
import { chiSquareLimit, studentFactor, withinSigmas } from './student'

/** One reading of an angle on one turn. */
export interface AngleReading {
  /** Degrees; any whole turn on or off is the same. */
  readonly deg: number
  /** One sigma. */
  readonly sigmaDeg: number
  /** Two readings of one set-up repeat the same rounding, and are one witness. */
  readonly setUp: string
  /** What something that is common to all such readings does to this one, one sigma with its sign: play in bearings, on pairs read turning one way. */
  readonly commonDeg?: number | undefined
}

export interface CombinedAngle<T extends AngleReading> {
  readonly deg: number
  /** One sigma of the combined value. */
  readonly sigmaDeg: number
  /** The ± that is shown: two sigma; where the readings scatter more than they should, Student's factor times what they scatter;
   *  of two that contradict, so much that it covers both. */
  readonly plusMinusDeg: number
  readonly widenedBy: 'nothing' | 'scatter' | 'contradiction'
  /** How much of it comes from what is common to several readings, two sigma. */
  readonly commonDeg: number
  readonly used: readonly T[]
  /** Those that do not fit the rest; of two that contradict, both. */
  readonly misfits: readonly T[]
}

/** A reading and the rest agree when they differ by no more than three sigma of their difference. */
const AGREE_SIGMAS = 3

interface Mean {
  readonly deg: number
  readonly sigmaDeg: number
  /** What one sigma of what is common to several does to it. */
  readonly commonDeg: number
}

/** Readings of one set-up together weigh as one. */
function weigh<T extends AngleReading>(readings: readonly T[]): { readonly one: T; readonly weight: number }[] {
  const times = new Map<string, number>()
  for (const { setUp } of readings) times.set(setUp, (times.get(setUp) ?? 0) + 1)
  return readings.map((one) => ({ one, weight: 1 / one.sigmaDeg ** 2 / (times.get(one.setUp) ?? 1) }))
}

/** Weighted mean (1/sigma²) on the circle, taken about the first reading; what is common to several is found with it and held to its own sigma.
 *  Source: generalised least squares. */
function meanOf(readings: readonly AngleReading[]): Mean {
  const about = readings[0]?.deg ?? 0
  let [w, wy, wc, wcc, wcy] = [0, 0, 0, 1, 0]
  for (const { one, weight } of weigh(readings)) {
    const y = wrapToSigned180(one.deg - about)
    const c = one.commonDeg ?? 0
    w += weight
    wy += weight * y
    wc += weight * c
    wcc += weight * c * c
    wcy += weight * c * y
  }
  const spread = w * wcc - wc * wc
  return {
    deg: about + (wcc * wy - wc * wcy) / spread,
    sigmaDeg: Math.sqrt(wcc / spread),
    commonDeg: Math.sqrt(Math.max(0, wcc / spread - 1 / w)),
  }
}

/** How many sigma of their difference a reading lies from a mean it is no part of. */
export const standsOff = (
  { deg, sigmaDeg, commonDeg = 0 }: Pick<AngleReading, 'deg' | 'sigmaDeg' | 'commonDeg'>,
  mean: Pick<Mean, 'deg' | 'sigmaDeg'>,
) => Math.abs(wrapToSigned180(deg - mean.deg)) / Math.hypot(sigmaDeg, commonDeg, mean.sigmaDeg)

/** One angle from several readings: their weighted mean. Of three or more, one that does not fit the others is named and left out; of two that
 *  contradict neither can be told wrong, and the ± covers both. Undefined without a reading.
 *  Source: weighted least squares; Birge's ratio with Student's factor where the scatter is too large to be chance. */
export function combineAngles<T extends AngleReading>(readings: readonly T[]): CombinedAngle<T> | undefined {
  if (readings.length === 0) return undefined
  const { used, aside } = setAside(readings)
  const mean = meanOf(used)
  const contradict =
    used.length === 2 && used.some((one) => standsOff(one, meanOf(used.filter((rest) => rest !== one))) > AGREE_SIGMAS)
  return {
    deg: mean.deg,
    ...widthOf(used, mean, contradict),
    commonDeg: 2 * mean.commonDeg,
    used,
    misfits: [...(contradict ? used : []), ...aside],
  }
}

/** How far a reading that is not averaged in lies from a combined value, when that is more than chance. */
export const doesNotFit = (reading: Pick<AngleReading, 'deg' | 'sigmaDeg'>, mean: Pick<Mean, 'deg' | 'sigmaDeg'>) =>
  standsOff(reading, mean) > AGREE_SIGMAS

/** The readings that fit each other, and those that do not, taken out worst first. No more than a minority can be the odd ones. */
function setAside<T extends AngleReading>(measured: readonly T[]): { used: readonly T[]; aside: readonly T[] } {
  let used = measured
  const aside: T[] = []
  while (used.length >= 3 && aside.length < Math.floor((measured.length - 1) / 2)) {
    const worst = worstOf(used)
    if (!worst) break
    aside.push(worst)
    used = used.filter((one) => one !== worst)
  }
  return { used, aside }
}

function worstOf<T extends AngleReading>(used: readonly T[]): T | undefined {
  let total = 0
  let shift = 0
  const about = used[0]?.deg ?? 0
  // Held against each other, what is common to some of them makes those the blunter.
  const parts = weigh(used).map(({ one, weight }) => ({
    one,
    weight: weight / (1 + ((one.commonDeg ?? 0) / one.sigmaDeg) ** 2),
    off: wrapToSigned180(one.deg - about),
  }))
  for (const { weight, off } of parts) {
    total += weight
    shift += weight * off
  }
  // Leaving one out needs no second pass: its part is taken off the sums.
  let worst: T | undefined
  // Of more readings the worst lies further off by chance.
  let most = withinSigmas(used.length)
  for (const { one, weight, off } of parts) {
    const rest = { deg: about + (shift - weight * off) / (total - weight), sigmaDeg: 1 / Math.sqrt(total - weight) }
    const sigmas = standsOff(one, rest)
    if (sigmas > most) [worst, most] = [one, sigmas]
  }
  return worst
}

function widthOf(
  used: readonly AngleReading[],
  mean: Mean,
  contradict: boolean,
): Pick<CombinedAngle<AngleReading>, 'sigmaDeg' | 'plusMinusDeg' | 'widenedBy'> {
  const plain = { sigmaDeg: mean.sigmaDeg, plusMinusDeg: 2 * mean.sigmaDeg, widenedBy: 'nothing' } as const
  const offs = used.map((one) => wrapToSigned180(one.deg - mean.deg))
  if (contradict) {
    // Both are covered, the blunter one as well, which lies further from their mean.
    const furthest = Math.max(...offs.map(Math.abs))
    return { sigmaDeg: furthest / 2, plusMinusDeg: furthest, widenedBy: 'contradiction' }
  }
  const freedom = new Set(used.map(({ setUp }) => setUp)).size - 1
  const squares = weigh(used).reduce((sum, { one, weight }, i) => {
    // What is common explains its own share.
    const share = 1 / (1 + weight * (one.commonDeg ?? 0) ** 2)
    return sum + weight * share * (offs[i] ?? 0) ** 2
  }, 0)
  if (freedom < 2 || squares <= chiSquareLimit(freedom)) return plain
  const sigmaDeg = mean.sigmaDeg * Math.sqrt(squares / freedom)
  return { sigmaDeg, plusMinusDeg: studentFactor(freedom) * sigmaDeg, widenedBy: 'scatter' }
}
