import { wrapToSigned180 } from '../units'
import { chiSquareLimit, studentFactor } from './student'

/** One reading of an angle on one turn. */
export interface AngleReading {
  /** Degrees; any whole turn on or off is the same. */
  readonly deg: number
  /** One sigma. */
  readonly sigmaDeg: number
  /** Two readings of one set-up repeat the same rounding, and are one witness. */
  readonly setUp: string
}

export interface CombinedAngle<T extends AngleReading> {
  readonly deg: number
  /** One sigma of the combined value. */
  readonly sigmaDeg: number
  /** The ± that is shown: two sigma; where the readings scatter more than they should, Student's factor times what they scatter;
   *  of two that contradict, half of what lies between them. */
  readonly plusMinusDeg: number
  readonly widenedBy: 'nothing' | 'scatter' | 'contradiction'
  readonly used: readonly T[]
  /** Those that do not fit the rest; of two that contradict, both. */
  readonly misfits: readonly T[]
}

/** A reading and the rest agree when they differ by no more than three sigma of their difference. */
const AGREE_SIGMAS = 3

interface Mean {
  readonly deg: number
  readonly sigmaDeg: number
}

/** Readings of one set-up together weigh as one. */
function weigh<T extends AngleReading>(readings: readonly T[]): { readonly one: T; readonly weight: number }[] {
  const times = new Map<string, number>()
  for (const { setUp } of readings) times.set(setUp, (times.get(setUp) ?? 0) + 1)
  return readings.map((one) => ({ one, weight: 1 / one.sigmaDeg ** 2 / (times.get(one.setUp) ?? 1) }))
}

/** Weighted mean (1/sigma²) on the circle, taken about the first reading. */
function meanOf(readings: readonly AngleReading[]): Mean {
  const about = readings[0]?.deg ?? 0
  let total = 0
  let shift = 0
  for (const { one, weight } of weigh(readings)) {
    total += weight
    shift += weight * wrapToSigned180(one.deg - about)
  }
  return { deg: about + shift / total, sigmaDeg: 1 / Math.sqrt(total) }
}

/** How many sigma of their difference a reading lies from a mean it is no part of. */
export const standsOff = ({ deg, sigmaDeg }: Pick<AngleReading, 'deg' | 'sigmaDeg'>, mean: Mean) =>
  Math.abs(wrapToSigned180(deg - mean.deg)) / Math.hypot(sigmaDeg, mean.sigmaDeg)

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
    used,
    misfits: [...(contradict ? used : []), ...aside],
  }
}

/** How far a reading that is not averaged in lies from a combined value, when that is more than chance. */
export const doesNotFit = (reading: Pick<AngleReading, 'deg' | 'sigmaDeg'>, mean: Mean) =>
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
  const parts = weigh(used).map((part) => ({ ...part, off: wrapToSigned180(part.one.deg - about) }))
  for (const { weight, off } of parts) {
    total += weight
    shift += weight * off
  }
  // Leaving one out needs no second pass: its part is taken off the sums.
  let worst: T | undefined
  let most = AGREE_SIGMAS
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
    const halfApart = (Math.abs(offs[0] ?? 0) + Math.abs(offs[1] ?? 0)) / 2
    return { sigmaDeg: halfApart / 2, plusMinusDeg: halfApart, widenedBy: 'contradiction' }
  }
  const freedom = new Set(used.map(({ setUp }) => setUp)).size - 1
  const squares = weigh(used).reduce((sum, { weight }, i) => sum + weight * (offs[i] ?? 0) ** 2, 0)
  if (freedom < 2 || squares <= chiSquareLimit(freedom)) return plain
  const sigmaDeg = mean.sigmaDeg * Math.sqrt(squares / freedom)
  return { sigmaDeg, plusMinusDeg: studentFactor(freedom) * sigmaDeg, widenedBy: 'scatter' }
}
