import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf, Evidence } from '../model/entry'
import { crankDeg, wrapToCycle, wrapToSigned } from '../units'
import { halfOf, NO_WITNESS, withWitness, type Half, type HalfSoFar, type Zero } from '../zero'
import type { CrankPlace } from './state'

/** How far back a fresh approach to an overshot mark has to start (handbook 3). */
export const FRESH_APPROACH_DEG = 30
/** A wheel reading further than this from the reckoned place is no correction but a contradiction. */
const WHEEL_CONTRADICTS_DEG = 45
/** Turned to within this of a mark, it is that mark. */
const SAME_MARK_DEG = 20

/** The journey of the crank, built up entry by entry. `totalDeg` grows with every turn; origins are places minus totals. */
export interface Rotation {
  readonly totalDeg: number
  readonly lastDirection: 1 | -1 | undefined
  readonly overshot: { readonly direction: 1 | -1; readonly backDeg: number; readonly onwardDeg: number } | undefined
  readonly witnesses: HalfSoFar
  /** The place on one turn at the last sure reference: crank mod 360 minus the total there. */
  readonly reference:
    { readonly originDeg: number; readonly totalDeg: number; readonly byMark?: CrankPlace['byMark'] } | undefined
  /** A pose declared with the loop off, where the half of the cycle is whichever the cams are set to. */
  readonly chosenOriginDeg: number | undefined
  readonly wheelDisagreesDeg: number | undefined
  readonly missed: CrankPlace['missed']
  /** The place on the cycle by an earlier job, less the total: reckoned, until somebody looks. */
  readonly carriedOriginDeg: number | undefined
  /** A claim of where it stands that the turns written do not lead to. */
  readonly contradicted:
    | {
        readonly entryId: string
        readonly placeDeg: number
        readonly pose: boolean
        readonly ownPlaceDeg?: number | undefined
        readonly byMark?: CrankPlace['byMark']
      }
    | undefined
}

export const startRotation: Rotation = {
  totalDeg: 0,
  lastDirection: undefined,
  overshot: undefined,
  witnesses: NO_WITNESS,
  reference: undefined,
  chosenOriginDeg: undefined,
  wheelDisagreesDeg: undefined,
  missed: undefined,
  carriedOriginDeg: undefined,
  contradicted: undefined,
}

/** A new job begins: the place of the crank goes on as reckoned, what was seen and witnessed of it does not. */
export function rotationCarried(rotation: Rotation, sameCycle: boolean, cycleDeg: number): Rotation {
  const at =
    rotation.contradicted || rotation.wheelDisagreesDeg !== undefined ? undefined : placeDeg(rotation, cycleDeg)
  const { totalDeg, lastDirection } = rotation
  return {
    ...startRotation,
    totalDeg,
    lastDirection,
    carriedOriginDeg: at === undefined || !sameCycle ? undefined : wrapToCycle(at - totalDeg, cycleDeg),
  }
}

export function rotationTurned(
  rotation: Rotation,
  entry: EntryOf<'turned'>,
  zero: Zero | undefined,
  cycleDeg: number,
): Rotation {
  const totalDeg = rotation.totalDeg + entry.deg
  const direction = entry.deg > 0 ? 1 : entry.deg < 0 ? -1 : rotation.lastDirection
  const missed = missedTurn(rotation, entry, cycleDeg)
  const turned: Rotation = {
    ...rotation,
    totalDeg,
    lastDirection: direction,
    overshot: nextOvershot(rotation, entry),
    missed,
  }
  if (entry.wheelDeg === undefined || !zero) return turned
  const read = entry.wheelDeg - zero.wheelDeg
  const reckoned = rotation.reference ? rotation.reference.originDeg + totalDeg : undefined
  const slipDeg = reckoned === undefined ? 0 : wrapToSigned(read - reckoned, 360)
  if (Math.abs(slipDeg) > WHEEL_CONTRADICTS_DEG) return { ...turned, wheelDisagreesDeg: slipDeg }
  // A wheel reading beats the degrees somebody thought they turned: the journey itself is put right.
  const put = totalDeg + slipDeg
  const originDeg = wrapToCycle(read - put, cycleDeg)
  return { ...turned, totalDeg: put, reference: { originDeg, totalDeg: put }, wheelDisagreesDeg: undefined }
}

/** A turn that ended on the right place of one turn and the wrong one of the cycle: with the mark on its pointer it looks right. */
function missedTurn(
  rotation: Rotation,
  { deg, towardsDeg }: EntryOf<'turned'>,
  cycleDeg: number,
): CrankPlace['missed'] {
  const at = placeDeg(rotation, cycleDeg)
  if (towardsDeg === undefined || at === undefined || cycleDeg === 360) return undefined
  const offDeg = wrapToSigned(at + deg - towardsDeg, cycleDeg)
  if (Math.abs(Math.abs(offDeg) - 360) > SAME_MARK_DEG) return undefined
  if (deg < 0) return 'shortWayBack'
  return deg < wrapToCycle(towardsDeg - at, cycleDeg) ? 'oneTurnShort' : 'oneTurnTooMany'
}

function nextOvershot({ overshot }: Rotation, { deg, ended }: EntryOf<'turned'>): Rotation['overshot'] {
  if (ended === 'past' && deg !== 0) return { direction: deg > 0 ? 1 : -1, backDeg: 0, onwardDeg: 0 }
  if (!overshot) return undefined
  const along = deg * overshot.direction
  const backDeg = overshot.backDeg + Math.max(0, -along)
  const onwardDeg = overshot.onwardDeg + Math.max(0, along)
  const wellApproached = along > 0 && (overshot.backDeg >= FRESH_APPROACH_DEG || onwardDeg >= 360 - FRESH_APPROACH_DEG)
  return wellApproached ? undefined : { ...overshot, backDeg, onwardDeg }
}

/** A sure place: TDC of a cylinder (which turn stays open), or the pose; or a place by a mark, with its ±. */
export function rotationStands(
  rotation: Rotation,
  placeDeg: number,
  chosen: boolean,
  cycleDeg: number,
  byMark?: CrankPlace['byMark'],
): Rotation {
  const originDeg = wrapToCycle(placeDeg - rotation.totalDeg, cycleDeg)
  return {
    ...rotation,
    reference: { originDeg, totalDeg: rotation.totalDeg, byMark },
    chosenOriginDeg: chosen ? originDeg : rotation.chosenOriginDeg,
    wheelDisagreesDeg: undefined,
  }
}

export function rotationWitness(
  rotation: Rotation,
  { evidence, placeDeg, cycleDeg }: { evidence: Evidence; placeDeg: number; cycleDeg: number },
): Rotation {
  const originDeg = wrapToCycle(placeDeg - rotation.totalDeg, cycleDeg)
  return { ...rotation, witnesses: withWitness(rotation.witnesses, { evidence, originDeg, cycleDeg }) }
}

/** Where the crank is, and how sure that is: proven at a reference with the half proved and nothing turned since; by a mark when
 *  that is what it was seen by; reckoned after turns or with one witness; unknown without a reference, without the half, or when they contradict. */
export function crankPlace(
  rotation: Rotation,
  sheet: BuildSheet,
  zero: Zero | undefined,
  jobStartDeg = 0,
): { place: CrankPlace; half: Half } {
  const { totalDeg, reference, contradicted, lastDirection, overshot, wheelDisagreesDeg, missed } = rotation
  const half = halfOf(rotation.witnesses)
  const sinceReferenceDeg = totalDeg - (reference?.totalDeg ?? jobStartDeg)
  const common = {
    totalDeg: totalDeg - jobStartDeg,
    contradictedBy: contradicted?.entryId,
    byMark: reference?.byMark,
    sinceReferenceDeg,
    lastDirection,
    wheelDisagreesDeg,
    missed,
    freshApproach: overshot && {
      direction: overshot.direction,
      stillBackDeg: Math.max(0, FRESH_APPROACH_DEG - overshot.backDeg),
    },
  }
  const at = placeDeg(rotation, sheet.cycleDeg)
  if (at === undefined || wheelDisagreesDeg !== undefined || contradicted) {
    return { half, place: { ...common, deg: undefined, doubt: 'unknown' } }
  }
  const deg = crankDeg(at)
  const there = sinceReferenceDeg === 0 && halfIsProved(rotation, half, sheet.cycleDeg)
  const doubt = there && reference?.byMark ? 'byMark' : there && zero ? 'proven' : 'reckoned'
  return { half, place: { ...common, deg, doubt } }
}

const halfIsProved = ({ chosenOriginDeg }: Rotation, half: Half, cycleDeg: number) =>
  half.known === 'proved' || chosenOriginDeg !== undefined || cycleDeg === 360

/** The place on the cycle: the reference is sharp but knows one turn only, the witnesses know which. A two-stroke has one turn. */
function placeDeg(rotation: Rotation, cycleDeg: number): number | undefined {
  const { reference, witnesses, chosenOriginDeg, carriedOriginDeg, totalDeg } = rotation
  if (!reference) return carriedOriginDeg === undefined ? undefined : wrapToCycle(carriedOriginDeg + totalDeg, cycleDeg)
  if (cycleDeg === 360) return wrapToCycle(reference.originDeg + totalDeg, 360)
  const half = halfOf(witnesses)
  if (half.known === 'conflict') return undefined
  const origin = chosenOriginDeg ?? (half.known === 'unknown' ? halfCarried(rotation) : half.originDeg)
  if (origin === undefined) return undefined
  return wrapToCycle(origin + wrapToSigned(reference.originDeg - origin, 360) + totalDeg, cycleDeg)
}

/** Which turn it is on by an earlier job, where that and what was seen in this one lie close together. */
function halfCarried({ reference, carriedOriginDeg }: Rotation): number | undefined {
  if (carriedOriginDeg === undefined || !reference) return undefined
  const offDeg = wrapToSigned(reference.originDeg - carriedOriginDeg, 360)
  return Math.abs(offDeg) <= WHEEL_CONTRADICTS_DEG ? carriedOriginDeg : undefined
}
