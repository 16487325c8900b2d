import { wheelDeg, wrapTo360, wrapToSigned180, type WheelDeg } from '../units'
import { chiSquareLimit, studentFactor } from './student'

export type ZeroMethod = 'positiveStop' | 'dial' | 'dwell' | 'factoryMark'

/** One way of having found the zero cylinder's TDC on the degree wheel. A claim (a factory mark) is tested and never averaged in. */
export interface ZeroReading {
  readonly entryId: string
  readonly method: ZeroMethod
  /** After every correction, on one turn. */
  readonly wheelDeg: number
  /** One sigma. */
  readonly sigmaDeg: number
  /** Two readings of one set-up are one witness. */
  readonly setUp: string
  readonly cylinderId: string
  /** What was taken off for the wrist pin's offset; undefined where offset, stroke or rod is not known. */
  readonly offsetShiftDeg?: number | undefined
  readonly halfSpanDeg?: number | undefined
  readonly dropMm?: number | undefined
  readonly approach?: 'eachWay' | 'oneWay' | undefined
}

export interface Zero {
  readonly wheelDeg: WheelDeg
  /** One sigma of the combined value. */
  readonly sigmaDeg: number
  /** The ± that is shown: two sigma; where the readings scatter more than they should, Student's factor times what they scatter;
   *  of two that contradict, half of what lies between them. */
  readonly plusMinusDeg: number
  readonly widenedBy: 'nothing' | 'scatter' | 'contradiction'
  readonly proved: boolean
  readonly agreeing: readonly string[]
  /** Entries that do not fit the rest, with how far off they are, + = later on the wheel. Named, never dropped silently. */
  readonly misfits: readonly { readonly entryId: string; readonly offDeg: number }[]
}

/** A reading and the rest agree when they differ by no more than three sigma of their difference. */
const AGREE_SIGMAS = 3

interface Weighed {
  readonly one: ZeroReading
  readonly weight: number
}

/** Readings of one set-up repeat the same rounding: together they weigh as one. */
function weigh(readings: readonly ZeroReading[]): Weighed[] {
  const times = new Map<string, number>()
  for (const { setUp } of readings) times.set(setUp, (times.get(setUp) ?? 0) + 1)
  return readings.map((one) => ({ one, weight: 1 / one.sigmaDeg ** 2 / (times.get(one.setUp) ?? 1) }))
}

interface Mean {
  readonly deg: number
  readonly sigmaDeg: number
}

/** Weighted mean (1/sigma²) on the wheel's circle, taken about the first reading. */
function meanOf(readings: readonly ZeroReading[]): Mean {
  const about = readings[0]?.wheelDeg ?? 0
  let total = 0
  let shift = 0
  for (const { one, weight } of weigh(readings)) {
    total += weight
    shift += weight * wrapToSigned180(one.wheelDeg - about)
  }
  return { deg: about + shift / total, sigmaDeg: 1 / Math.sqrt(total) }
}

/** How many sigma of their difference a reading lies from a mean it is no part of. */
const standsOff = ({ wheelDeg: deg, sigmaDeg }: ZeroReading, mean: Mean) =>
  Math.abs(wrapToSigned180(deg - mean.deg)) / Math.hypot(sigmaDeg, mean.sigmaDeg)

/** The zero from all readings of one setting of the degree wheel: weighted mean of the measured ones. Of three or more, one that does
 *  not fit the others is named and left out of the mean; of two that contradict neither can be told wrong. Proved when two
 *  independent set-ups agree and no measured one contradicts. Undefined without a measured reading.
 *  Source: weighted least squares; Birge's ratio with Student's factor where the scatter is too large to be chance. */
export function combineZero(readings: readonly ZeroReading[]): Zero | undefined {
  const measured = readings.filter(({ method }) => method !== 'factoryMark')
  if (measured.length === 0) return undefined
  const { used, aside } = setAside(measured)
  const mean = meanOf(used)
  const contradict =
    used.length === 2 && used.some((one) => standsOff(one, meanOf(used.filter((rest) => rest !== one))) > AGREE_SIGMAS)
  const width = widthOf(used, mean, contradict)
  const claims = readings.filter(({ method }) => method === 'factoryMark')
  const misfits = [
    ...(contradict ? used : []),
    ...aside,
    ...claims.filter((claim) => standsOff(claim, mean) > AGREE_SIGMAS),
  ]
  const agreeing = readings.filter((reading) => !misfits.includes(reading))
  const setUps = new Set(agreeing.map(({ setUp }) => setUp))
  return {
    wheelDeg: wheelDeg(wrapTo360(mean.deg)),
    ...width,
    proved: setUps.size >= 2 && !contradict && aside.length === 0,
    agreeing: agreeing.map(({ entryId }) => entryId),
    misfits: misfits.map((one) => ({ entryId: one.entryId, offDeg: wrapToSigned180(one.wheelDeg - mean.deg) })),
  }
}

/** The readings that fit each other, and those that do not, taken out worst first. No more than a minority can be the odd ones. */
function setAside(measured: readonly ZeroReading[]): { used: readonly ZeroReading[]; aside: readonly ZeroReading[] } {
  let used = measured
  const aside: ZeroReading[] = []
  while (used.length >= 3 && aside.length < Math.floor((measured.length - 1) / 2)) {
    const worst = worstOf(used)
    if (!worst) break
    aside.push(worst)
    used = used.filter((one) => one !== worst)
  }
  return { used, aside }
}

function worstOf(used: readonly ZeroReading[]): ZeroReading | undefined {
  let total = 0
  let shift = 0
  const about = used[0]?.wheelDeg ?? 0
  const parts = weigh(used).map((part) => ({ ...part, off: wrapToSigned180(part.one.wheelDeg - about) }))
  for (const { weight, off } of parts) {
    total += weight
    shift += weight * off
  }
  // Leaving one out needs no second pass: its part is taken off the sums.
  let worst: ZeroReading | undefined
  let most = AGREE_SIGMAS
  for (const { one, weight, off } of parts) {
    const rest = { deg: about + (shift - weight * off) / (total - weight), sigmaDeg: 1 / Math.sqrt(total - weight) }
    const sigmas = standsOff(one, rest)
    if (sigmas > most) [worst, most] = [one, sigmas]
  }
  return worst
}

function widthOf(
  used: readonly ZeroReading[],
  mean: Mean,
  contradict: boolean,
): Pick<Zero, 'sigmaDeg' | 'plusMinusDeg' | 'widenedBy'> {
  const plain = { sigmaDeg: mean.sigmaDeg, plusMinusDeg: 2 * mean.sigmaDeg, widenedBy: 'nothing' } as const
  const offs = used.map((one) => wrapToSigned180(one.wheelDeg - mean.deg))
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
