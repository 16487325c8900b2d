import { companionsOf } from '../cylinders'
import type { JobState } from '../ledger'
import type { BuildSheet, Follower } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'

/** Whether it is known on which turn of the cycle the crank stands: by two witnesses, by one, not yet, or they contradict each other; or every turn is alike to what follows. */
export type WhichTurn = 'proved' | 'read' | 'open' | 'conflict' | 'cannotMatter'

/** Which of the two turns of a cycle a follower is read on. A pin that enters at both is no witness. Source: handbook 5 and 14. */
export function whichTurn(sheet: BuildSheet, { half }: Pick<JobState, 'half'>, { serves }: Follower): WhichTurn {
  if (sheet.cycleDeg === 360 || serves === 'twice') return 'cannotMatter'
  return half.known === 'unknown' ? 'open' : half.known
}

/** Whether a follower serves the cylinder that fires: right; half a turn of its own out, so that it serves the one that stands at its other TDC; another outlet; open while either is
 *  not known. */
export type Points = 'right' | 'halfTurnOut' | 'elsewhere' | 'open' | 'cannotMatter'

export function pointsWhere(
  sheet: BuildSheet,
  state: Pick<JobState, 'half'>,
  follower: Follower,
  { cylinderId, pointsAt }: Pick<EntryOf<'followerRead'>, 'cylinderId' | 'pointsAt'>,
): Points {
  const turn = whichTurn(sheet, state, follower)
  if (turn === 'cannotMatter') return 'cannotMatter'
  if (!pointsAt || turn === 'open' || turn === 'conflict') return 'open'
  if (pointsAt === cylinderId) return 'right'
  return companionsOf(sheet, cylinderId).includes(pointsAt) ? 'halfTurnOut' : 'elsewhere'
}
