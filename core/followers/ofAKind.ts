import type { JobState } from '../ledger'
import type { BuildSheet, Follower } from '../model/buildSheet'
import { followerOfJob } from './followerOfJob'
import { followersOf, tradeOf } from './trade'

/** Another of the same trade that was read: how far apart the two stand, and how far they are meant to. In the unit that both are told in. */
export interface OfAKind {
  readonly other: Follower
  /** This one less the other, + = this one earlier. */
  readonly apart: number
  readonly plusMinus: number
  readonly meant: number
}

/** The others of the same trade that are read in the same unit: two magnetos are held against each other, and not each against its own line alone. */
export function othersOfAKind(
  sheet: BuildSheet,
  state: Pick<JobState, 'kept' | 'live'>,
  follower: Follower,
): readonly OfAKind[] {
  const own = followerOfJob(sheet, state, follower)
  if (own.now?.value === undefined || !own.aim) return []
  const { value, plusMinus } = own.now
  const { aim } = own
  return followersOf(sheet, tradeOf(follower)).flatMap((other) => {
    if (other.id === follower.id) return []
    const its = followerOfJob(sheet, state, other)
    if (its.now?.value === undefined || its.aim?.by !== aim.by) return []
    return [
      {
        other,
        apart: value - its.now.value,
        plusMinus: Math.hypot(plusMinus, its.now.plusMinus),
        meant: aim.value - its.aim.value,
      },
    ]
  })
}
