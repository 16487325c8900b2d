import { judgeFiring, tdcOnOneTurn } from '../cylinders'
import { zeroOfEntry, type JobState } from '../ledger'
import { scaleSigmaDeg } from '../degreeWheel'
import type { BuildSheet, RimMark } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { mm, wrapToSigned180, type Mm } from '../units'
import { FACTORY_MARK_SIGMA_DEG } from '../zero'

/** What a mark turned out to be, with what would explain it. */
export type MarkVerdict =
  | { readonly kind: 'agrees' }
  /** Out by more than the ±: on a slipped ring, or the pulley of another engine. */
  | { readonly kind: 'displaced' }
  /** It stands where another cylinder's TDC is. */
  | { readonly kind: 'otherCylinder'; readonly cylinderId: string }
  /** It stands so far before TDC that it may be cut for the spark. */
  | { readonly kind: 'maybeSpark'; readonly beforeDeg: number }
  /** A casting line, an assembly mark, another version's: not to be set by. */
  | { readonly kind: 'decoy' }
  | { readonly kind: 'noClaim' }

export interface MarkReading {
  readonly entryId: string
  readonly markId: string | undefined
  readonly name: string
  readonly cylinderId: string
  readonly claimDeg: number
  /** Where it stands, crank degrees after its cylinder's TDC, (-180, 180]. */
  readonly standsDeg: number
  /** Stands less claims, + = it comes up late. */
  readonly errorDeg: number
  /** One sigma. */
  readonly sigmaDeg: number
  /** The error along the rim; undefined while the rim is not measured. */
  readonly errorMm: Mm | undefined
  readonly verdict: MarkVerdict
}

/** Spark marks lie in this range before TDC. Common practice, no source. */
const SPARK_BEFORE_DEG = { least: 3, most: 45 }

/** Every mark that was brought to its pointer in a job, against the proven zero: how far out, in degrees and along the rim, and what that
 *  says of it. The last reading of a mark counts. A mark is judged against the ± that is shown, two sigma. */
export function readMarks(sheet: BuildSheet, state: JobState): MarkReading[] {
  const entries = state.live.filter((entry) => entry.kind === 'factoryMark')
  const last = new Map(entries.map((entry) => [entry.markId ?? entry.name, entry]))
  return [...last.values()].flatMap((entry) => readMark(entry, sheet, state) ?? [])
}

function readMark(entry: EntryOf<'factoryMark'>, sheet: BuildSheet, state: JobState): MarkReading | undefined {
  const frame = zeroOfEntry(state.zeros, entry.id)
  const tdc = tdcOnOneTurn(sheet, entry.cylinderId)
  if (!frame?.zero || tdc === undefined) return undefined
  const mark = sheet.rimMarks.find(({ id }) => id === entry.markId)
  const standsDeg = wrapToSigned180(entry.wheelDeg - frame.zero.wheelDeg - tdc)
  const errorDeg = wrapToSigned180(standsDeg - entry.claimDeg)
  const sigmaDeg = Math.hypot(FACTORY_MARK_SIGMA_DEG, scaleSigmaDeg(frame.scale, entry.wheelDeg), frame.zero.sigmaDeg)
  return {
    entryId: entry.id,
    markId: entry.markId,
    name: entry.name,
    cylinderId: entry.cylinderId,
    claimDeg: entry.claimDeg,
    standsDeg,
    errorDeg,
    sigmaDeg,
    errorMm: sheet.rimMm && mm((errorDeg * sheet.rimMm.value) / 360),
    verdict: verdictOf({ mark, cylinderId: entry.cylinderId, errorDeg, standsDeg, sigmaDeg, sheet }),
  }
}

function verdictOf({
  mark,
  cylinderId,
  errorDeg,
  standsDeg,
  sigmaDeg,
  sheet,
}: {
  mark: RimMark | undefined
  cylinderId: string
  errorDeg: number
  standsDeg: number
  sigmaDeg: number
  sheet: BuildSheet
}): MarkVerdict {
  if (mark && (mark.cutFor === 'casting' || mark.cutFor === 'assembly')) return { kind: 'decoy' }
  if (mark && mark.cutFor === 'unknown') return { kind: 'noClaim' }
  if (Math.abs(errorDeg) <= 2 * sigmaDeg) return { kind: 'agrees' }
  const own = tdcOnOneTurn(sheet, cylinderId) ?? 0
  const other = Object.keys(judgeFiring(sheet).places).find((id) => {
    const apart = wrapToSigned180((tdcOnOneTurn(sheet, id) ?? 0) - own)
    return Math.abs(apart) > 2 * sigmaDeg && Math.abs(wrapToSigned180(errorDeg - apart)) <= 2 * sigmaDeg
  })
  if (other !== undefined) return { kind: 'otherCylinder', cylinderId: other }
  const isTdc = !mark || mark.cutFor === 'tdc'
  if (isTdc && -standsDeg >= SPARK_BEFORE_DEG.least && -standsDeg <= SPARK_BEFORE_DEG.most) {
    return { kind: 'maybeSpark', beforeDeg: -standsDeg }
  }
  return { kind: 'displaced' }
}

/** How far a mark has moved since an earlier job, its error now less its error then: what two zeros of two visits say of each other.
 *  `moved` when that is more than the ± of the difference. */
export function compareMark(now: MarkReading, then: MarkReading) {
  const movedDeg = wrapToSigned180(now.errorDeg - then.errorDeg)
  const sigmaDeg = Math.hypot(now.sigmaDeg, then.sigmaDeg)
  return { movedDeg, sigmaDeg, moved: Math.abs(movedDeg) > 2 * sigmaDeg }
}
