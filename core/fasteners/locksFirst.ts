import type { JobState } from '../ledger'
import type { BoltGroup } from '../model/buildSheet'

/** What stands between a group of bolts and its torque, with timing locks about: it was not said which comes first; the locks have to come out first; a counter-hold has to take the
 *  torque; undefined = nothing. Torque never goes through a lock. */
export type LocksBefore = 'notSaid' | 'outFirst' | 'counterHold'

/** The locks that are in: they keep a place and take no torque. */
export const locksIn = ({ register }: Pick<JobState, 'register'>) =>
  register.filter(({ item }) => item === 'lock' || item === 'lockingPin')

/** Which of them it is, for bolts of the drive: those of covers and the like turn no camshaft. */
export function locksBefore(
  { on, locks }: Pick<BoltGroup, 'on' | 'locks'>,
  state: Pick<JobState, 'register'>,
  counterHeld: boolean,
): LocksBefore | undefined {
  const ofDrive = on === 'sprocket' || on === 'flywheel' || on === 'pump'
  if (!ofDrive || locksIn(state).length === 0) return undefined
  if (!locks) return 'notSaid'
  if (locks === 'outFirst') return 'outFirst'
  return counterHeld ? undefined : 'counterHold'
}
