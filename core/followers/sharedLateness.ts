import { readDrive } from '../drive'
import type { JobState } from '../ledger'
import type { BuildSheet, Follower } from '../model/buildSheet'
import { followerOfJob } from './followerOfJob'
import { crankDegOf } from './nextMove'

/** How late a follower was found, and what of it came by a chain or belt that a camshaft is on as well. Crank degrees, + = late. */
export interface SharedLateness {
  readonly latenessDeg: number
  readonly plusMinusDeg: number
  /** Camshafts on one of its loops, as they were found, with that loop. */
  readonly cams: readonly {
    readonly shaftId: string
    readonly loopId: string
    readonly latenessDeg: number
    readonly plusMinusDeg: number
  }[]
  /** What they have in common: the mean of those camshafts. */
  readonly commonDeg: number
  /** What is its own: coupling, slots or wear of its own. */
  readonly ownDeg: number
  readonly ownPlusMinusDeg: number
}

/** What of a follower's lateness it shares with the camshafts on its loop, and what is its own. Undefined while it or every such camshaft was not read, or a lift cannot be told in
 *  degrees. Source: handbook 14: what shares a stretched loop is late with it. */
export function sharedLateness(
  sheet: BuildSheet,
  state: Pick<JobState, 'kept' | 'live' | 'timing'>,
  follower: Follower,
): SharedLateness | undefined {
  const { found, aim, move } = followerOfJob(sheet, state, follower)
  if (!found || !aim || found.value === undefined) return undefined
  const short = aim.value - found.value
  const perDeg = move?.perCrankDeg
  const latenessDeg = crankDegOf(sheet, aim, short) ?? (perDeg ? short / perDeg : undefined)
  if (latenessDeg === undefined) return undefined
  const plusMinusDeg = Math.abs(crankDegOf(sheet, aim, found.plusMinus) ?? (perDeg ? found.plusMinus / perDeg : 0))
  const { ways } = readDrive(sheet)
  const loopsOf = (shaftId: string) => (ways[shaftId] ?? []).flatMap(({ by }) => (by.kind === 'loop' ? [by.id] : []))
  const own = loopsOf(follower.shaftId)
  const cams = sheet.shafts.flatMap(({ id, kind }) => {
    const timing = state.timing[id]?.found
    const loopId = loopsOf(id).find((one) => own.includes(one))
    if (kind !== 'cam' || id === follower.shaftId || !timing || loopId === undefined) return []
    return [{ shaftId: id, loopId, latenessDeg: timing.latenessDeg, plusMinusDeg: 2 * timing.sigmaDeg }]
  })
  if (cams.length === 0) return undefined
  const commonDeg = cams.reduce((sum, one) => sum + one.latenessDeg, 0) / cams.length
  const commonPlusMinus = Math.hypot(...cams.map((one) => one.plusMinusDeg)) / cams.length
  return {
    latenessDeg,
    plusMinusDeg,
    cams,
    commonDeg,
    ownDeg: latenessDeg - commonDeg,
    ownPlusMinusDeg: Math.hypot(plusMinusDeg, commonPlusMinus),
  }
}
