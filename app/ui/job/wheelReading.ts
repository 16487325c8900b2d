import { showOnScale } from '@link-count/core/degreeWheel'
import type { JobState } from '@link-count/core/ledger'

/** A place of the wheel as it stands on the one that is fitted. */
export const wheelAsSeen = (deg: number, { degreeWheel }: Pick<JobState, 'degreeWheel'>, decimals = 1) =>
  showOnScale(deg, degreeWheel, decimals)
