import type { BuildSheet, Follower } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { ratioOfFollower, toCrankDeg } from './direction'

type Read = Pick<EntryOf<'followerRead'>, 'pawls' | 'control'>

/** What has to be added to a place that was seen, degrees of the crank, + = earlier, to come to the figure it is held against; or what has to be known first. */
export type Added =
  | { readonly deg: number; readonly lagDeg: number; readonly advanceDeg: number }
  | 'pawlsNotSaid'
  | 'lagNotKnown'
  | 'controlNotSaid'
  | 'advanceNotKnown'
  | 'noShaft'

/** A spark as it was seen against the figure as it is meant: an impulse coupling whose pawls were free let go late by its lag; a hand advance that stood elsewhere than the figure
 *  is meant for adds or takes its travel. Source: handbook 19. */
export function addedToSeen(sheet: BuildSheet, follower: Follower, { pawls, control }: Read): Added {
  const ratio = ratioOfFollower(sheet, follower)
  if (!ratio) return 'noShaft'
  const { impulse, advance, wanted } = follower
  if (impulse && !pawls) return 'pawlsNotSaid'
  if (impulse && pawls === 'free' && !impulse.lag) return 'lagNotKnown'
  const lagDeg = impulse?.lag && pawls === 'free' ? toCrankDeg(impulse.lag.value, impulse.of, ratio) : 0
  const byHand = advance && advance.by !== 'automatic'
  const meant = wanted?.control ?? 'retarded'
  if (byHand && !control) return 'controlNotSaid'
  if (!byHand || control === meant) return { deg: lagDeg, lagDeg, advanceDeg: 0 }
  if (!advance.most) return 'advanceNotKnown'
  const most = toCrankDeg(advance.most.value, advance.of, ratio)
  const advanceDeg = meant === 'advanced' ? most : -most
  return { deg: lagDeg + advanceDeg, lagDeg, advanceDeg }
}

/** Where it sparks running, degrees of the crank before TDC: what was seen, with the lag that running takes away and all the advance still to come. Undefined while one of them
 *  is not known. Source: handbook 19. */
export function runningSpark(
  sheet: BuildSheet,
  follower: Follower,
  seen: Read & { readonly beforeDeg: number },
): { readonly deg: number; readonly lagDeg: number; readonly advanceDeg: number } | undefined {
  const ratio = ratioOfFollower(sheet, follower)
  const { impulse, advance } = follower
  if (!ratio || (impulse && (!seen.pawls || (seen.pawls === 'free' && !impulse.lag))) || (advance && !advance.most))
    return undefined
  const lagDeg = impulse?.lag && seen.pawls === 'free' ? toCrankDeg(impulse.lag.value, impulse.of, ratio) : 0
  const most = advance?.most ? toCrankDeg(advance.most.value, advance.of, ratio) : 0
  const advanceDeg = advance?.by === 'hand' && seen.control === 'advanced' ? 0 : most
  return { deg: seen.beforeDeg + lagDeg + advanceDeg, lagDeg, advanceDeg }
}

/** The static figure that a wanted most advance leaves, degrees of the crank before TDC. */
export const staticFromMost = (mostBeforeDeg: number, advanceCrankDeg: number) => mostBeforeDeg - advanceCrankDeg
