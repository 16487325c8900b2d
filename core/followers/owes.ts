import type { JobState } from '../ledger'
import type { BuildSheet, Follower } from '../model/buildSheet'
import { followerOfJob, movesDrive } from './followerOfJob'

/** What has still to be done with a follower: its drive was moved and it was not read since; it was moved and not read; read in its band and not tight yet; tight and out of its
 *  band, or on the limit of it. Undefined where nothing has, or nothing of it was touched. */
export type FollowerOwes = 'driveMoved' | 'moved' | 'notTight' | 'outOfBand' | 'onLimit'

export function followerOwes(
  sheet: BuildSheet,
  state: Pick<JobState, 'kept' | 'live'>,
  follower: Follower,
  cylinderId?: string,
): FollowerOwes | undefined {
  const { readings, now } = followerOfJob(sheet, state, follower, cylinderId)
  if (!now) {
    if (state.live.some((one) => movesDrive(sheet, follower, one))) return 'driveMoved'
    return readings.length > 0 && readings.at(-1)?.stale === 'follower' ? 'moved' : undefined
  }
  // As found and left alone it owes nothing: that it is out of its band stands on the card.
  const set = readings.some(({ entry }) => entry.phase !== 'found')
  if (!set) return undefined
  if (now.entry.bolts === 'loose') return 'notTight'
  if (now.against && now.against.is !== 'in') return 'outOfBand'
  return now.against && now.against.sure !== 'sure' ? 'onLimit' : undefined
}
