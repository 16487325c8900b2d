import { wrapToSigned } from '../units'
import { CAUSES, causes, causesThat, type CauseRecord } from './causes'
import { halfTurn, lateBy, stretchAndSkim, teeth } from './lateCauses'
import { wrongCam } from './lobeCauses'
import { nothing } from './predict'
import type { CauseCode, PerPart, Prediction, Readings } from './readings'

export type NextReading =
  | 'witnessByAir'
  | 'countRuns'
  | 'measureChain'
  | 'comeAgainRunning'
  | 'measureHead'
  | 'measureLash'
  | 'topLift'
  | 'checkDial'
  | 'camIdentity'
  | 'openingAndClosing'
  | 'readAgain'

/** A cause that the readings leave standing. */
export interface Fit {
  readonly causes: readonly CauseCode[]
  readonly size: number | undefined
  /** That of each loop or bank, where it has one for each. */
  readonly sizes?: PerPart
  readonly teeth: Readonly<Record<string, number>>
  /** How far the worst reading lies from what it says, in sigma: three would rule it out. */
  readonly worstSigmas: number
}

export interface Diagnosis {
  /** told = one cause stands; nothingShown = all within their ±; onlyTheHalf = so they are, and cams half a turn out would read the same; notEnough =
   *  several stand; none = no listed cause does. */
  readonly verdict: 'told' | 'nothingShown' | 'onlyTheHalf' | 'notEnough' | 'none'
  /** What stands, the likeliest first: the fewest causes, then in the order they are met at the bench, then the closest. */
  readonly fits: readonly Fit[]
  /** Single causes that the readings rule out, and by how many sigma. */
  readonly ruledOut: readonly { readonly cause: CauseCode; readonly bySigmas: number }[]
  /** What would settle it, or prove it. */
  readonly next: NextReading | undefined
  /** Half a turn out and the wrong half assumed look the same to every reading made so far. */
  readonly halfOpen: boolean
}

/** A reading further than this from what a cause says rules the cause out. */
const RULES_OUT_SIGMAS = 3

/** What is wrong, from how late every lobe is and how long it stays open. A cause stands when no reading lies further than three sigma from what it
 *  says at its best size; one that the numbers rule out is never named as likely. Two causes at once are tried only when no single one
 *  stands. Source: handbook 12; least squares with limits of three sigma. */
export function diagnose(readings: Readings): Diagnosis {
  const halfOpen = readings.half === 'notWitnessed'
  const none = worstOf(readings, nothing(readings))
  if (readings.half !== 'opposite' && none <= RULES_OUT_SIGMAS)
    return {
      verdict: halfOpen ? 'onlyTheHalf' : 'nothingShown',
      fits: [],
      ruledOut: [],
      next: proving(readings),
      halfOpen,
    }
  const alone = judge(readings, hypotheses(readings))
  const fits = alone.standing.length > 0 || readings.half === 'opposite' ? alone.standing : lastResort(readings)
  const verdict = fits.length === 1 ? 'told' : fits.length > 1 ? 'notEnough' : 'none'
  return { verdict, fits, ruledOut: alone.fallen, next: nextOf(readings, fits), halfOpen }
}

/** With no single cause left: two at once; and where those do not fit either, a camshaft that is not the book's. */
function lastResort(readings: Readings): readonly Fit[] {
  const two = judge(readings, twoTogether(readings)).standing
  return two.length > 0 ? two : judge(readings, wrongCam(readings)).standing
}

/** Each cause by itself. With the half of the cycle contradicted by a witness, half a turn is one of them whatever else is wrong. */
function hypotheses(readings: Readings): Prediction[] {
  const alone = CAUSES.flatMap((code) => causes[code].predict(readings))
  if (readings.half !== 'opposite') return alone
  const turned = halfTurn(readings)
  return turned.some((one) => worstOf(readings, one) <= RULES_OUT_SIGMAS)
    ? turned
    : alone.map((one) => (one.causes.includes('halfTurn') ? one : { ...one, causes: ['halfTurn', ...one.causes] }))
}

function judge(readings: Readings, predictions: readonly Prediction[]) {
  const judged = predictions.map((prediction) => ({ prediction, worst: worstOf(readings, prediction) }))
  const rank = ({ causes }: Prediction) => CAUSES.indexOf(causes[0] ?? 'mark')
  const standing = judged
    .filter(({ worst }) => worst <= RULES_OUT_SIGMAS)
    .sort((a, b) => rank(a.prediction) - rank(b.prediction) || a.worst - b.worst)
    .map(({ prediction: { causes, size, sizes, teeth: counts }, worst }): Fit => ({
      causes,
      size,
      ...(sizes && { sizes }),
      teeth: counts,
      worstSigmas: worst,
    }))
  const fallen = judged
    .filter(({ worst }) => worst > RULES_OUT_SIGMAS)
    .flatMap(({ prediction, worst }) => prediction.causes.map((cause) => ({ cause, bySigmas: worst })))
    .filter(({ cause }) => cause !== 'halfTurn')
  return { standing, fallen }
}

/** How many sigma the worst reading lies from a prediction. On one turn of the wheel a whole turn does not show. */
function worstOf({ lobes }: Readings, { lobes: said, besides }: Prediction): number {
  const off = lobes.flatMap((lobe, i) => {
    const one = said[i]
    if (!one) return []
    return [
      Math.abs(wrapToSigned(lobe.latenessDeg - one.latenessDeg, 360)) / lobe.sigmaDeg,
      ...(lobe.duration ? [Math.abs(lobe.duration.deg - one.durationDeg) / lobe.duration.sigmaDeg] : []),
      ...(lobe.mark && one.markDeg !== undefined
        ? [Math.abs(wrapToSigned(lobe.mark.latenessDeg - one.markDeg, 360)) / lobe.mark.sigmaDeg]
        : []),
    ]
  })
  return Math.max(0, ...off, ...besides.map((one) => Math.abs(one.off) / one.sigma))
}

/** Two causes at once: whole teeth on top of something that makes everything late, or of what changes durations; late and durations. */
function twoTogether(readings: Readings): Prediction[] {
  const lates = causesThat('late').map((code) => causes[code].predict)
  const shorts = causesThat('duration').map((code) => causes[code].predict)
  const flat: Readings = { ...readings, lobes: readings.lobes.map((lobe) => ({ ...lobe, duration: undefined })) }
  const long = shorts.flatMap((cause) =>
    cause({ ...readings, lobes: readings.lobes.map((lobe) => ({ ...lobe, latenessDeg: 0 })) }),
  )
  const toothAndLate = lates.flatMap((cause) => bestWithTeeth(readings, cause))
  const withLong = [...teeth(flat), ...lates.flatMap((cause) => cause(flat))].flatMap((one) =>
    long.map((other): Prediction => ({
      ...one,
      causes: [...one.causes, ...other.causes],
      size: one.size ?? other.size,
      lobes: one.lobes.map((lobe, i) => ({ ...lobe, durationDeg: other.lobes[i]?.durationDeg ?? 0 })),
    })),
  )
  return [...toothAndLate, ...stretchAndSkim(readings), ...withLong]
}

/** Whole teeth taken off first, from two early to two late on each camshaft in turn, then the rest fitted: the closest of all. */
function bestWithTeeth(readings: Readings, cause: CauseRecord['predict']): Prediction[] {
  const shafts = [...new Set(readings.lobes.map(({ shaftId }) => shaftId))]
  const trials = [-2, -1, 0, 1, 2].flatMap((k) =>
    shafts.flatMap((shaftId) => {
      const rest = readings.lobes.map((lobe) => ({
        ...lobe,
        latenessDeg: lobe.latenessDeg - (lobe.shaftId === shaftId ? k * (lobe.toothDeg ?? 0) : 0),
      }))
      // Sized by the one camshaft, so that the others' whole teeth do not pull it.
      const own = cause({ ...readings, lobes: rest.filter((lobe) => lobe.shaftId === shaftId) })[0]
      if (!own?.size || !own.sizes) return []
      const { sizes, causes } = own
      const [full] = cause({
        ...readings,
        lobes: readings.lobes.map((lobe) => ({
          ...lobe,
          latenessDeg: lateBy(causes[0], lobe, sizes),
        })),
      })
      if (!full) return []
      const [withTeeth] = teeth(
        readings,
        full.lobes.map(({ latenessDeg }) => latenessDeg),
      )
      if (!withTeeth) return []
      const teethDeg = readings.lobes.map((lobe) => (withTeeth.teeth[lobe.shaftId] ?? 0) * (lobe.toothDeg ?? 0))
      const [sized] = cause({
        ...readings,
        lobes: readings.lobes.map((lobe, i) => ({ ...lobe, latenessDeg: lobe.latenessDeg - (teethDeg[i] ?? 0) })),
      })
      if (!sized) return []
      const lobes = sized.lobes.map((lobe, i) => {
        const latenessDeg = lobe.latenessDeg + (teethDeg[i] ?? 0)
        return { ...lobe, latenessDeg, markDeg: latenessDeg }
      })
      return [{ ...sized, causes: ['teeth' as const, ...sized.causes], teeth: withTeeth.teeth, lobes }]
    }),
  )
  const best = trials.reduce<Prediction | undefined>(
    (so, one) => (!so || worstOf(readings, one) < worstOf(readings, so) ? one : so),
    undefined,
  )
  return best ? [best] : []
}

/** A loop or bank that something depends on and that was not measured. */
const someUnknown = (pers: readonly (PerPart | undefined)[], known: Readings['elongation']): boolean =>
  pers.some((per) => Object.keys(per ?? {}).some((part) => !known?.[part]))

/** The reading that tells the first two that stand apart; the one that would find a cause where none does. */
function nextOf(readings: Readings, fits: readonly Fit[]): NextReading | undefined {
  const standing = new Set(fits.flatMap(({ causes }) => causes))
  const has = (codes: readonly CauseCode[]) => codes.filter((code) => standing.has(code)).length
  const unread = readings.lobes.some(({ duration }) => !duration)
  if (fits.length === 0) return unread ? 'openingAndClosing' : 'readAgain'
  if (fits.length === 1) return standing.has('wrongCam') ? 'camIdentity' : proving(readings)
  if (has(causesThat('late')) > 1) {
    if (
      someUnknown(
        readings.lobes.map(({ perStretch }) => perStretch),
        readings.elongation,
      )
    )
      return 'measureChain'
    if (standing.has('slack')) return 'comeAgainRunning'
    return someUnknown(
      readings.lobes.map(({ perSkim }) => perSkim),
      readings.skimmed,
    )
      ? 'measureHead'
      : 'readAgain'
  }
  if (has(causesThat('duration')) > 1) {
    if (readings.lobes.some(({ lashOverMm }) => lashOverMm === undefined)) return 'measureLash'
    return standing.has('wear') && readings.lobes.some(({ topLiftOverMm }) => topLiftOverMm === undefined)
      ? 'topLift'
      : 'checkDial'
  }
  if (unread) return 'openingAndClosing'
  return standing.has('teeth') ? 'countRuns' : 'readAgain'
}

function proving({ half, lobes }: Readings): NextReading {
  if (half === 'notWitnessed' || half === 'opposite') return 'witnessByAir'
  return lobes.some(({ duration }) => !duration) ? 'openingAndClosing' : 'countRuns'
}
