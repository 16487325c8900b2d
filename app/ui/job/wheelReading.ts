import type { JobState } from '@link-count/core/ledger'
import { wrapTo360 } from '@link-count/core/units'

/** A typed reading brought to a wheel that rises in the running direction. */
export function wheelFromTyped(typedDeg: number, state: Pick<JobState, 'degreeWheel'>): number
export function wheelFromTyped(typedDeg: number | undefined, state: Pick<JobState, 'degreeWheel'>): number | undefined
export function wheelFromTyped(
  typedDeg: number | undefined,
  { degreeWheel }: Pick<JobState, 'degreeWheel'>,
): number | undefined {
  if (typedDeg === undefined) return undefined
  return wrapTo360(degreeWheel?.rises === 'against' ? 360 - typedDeg : typedDeg)
}

/** The same wheel the other way: what stands on it. */
export const wheelAsSeen = (normalDeg: number, state: Pick<JobState, 'degreeWheel'>) => wheelFromTyped(normalDeg, state)
