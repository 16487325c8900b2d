import { lastIn, type JobState } from '../../ledger'
import { noValveSays } from './hindrances'
import type { StepKindRecord } from './step'

/** Valves that are asked for: as left not those that were left empty as found, and gone past. */
export function lashAsked(
  state: Pick<JobState, 'kept' | 'steps'>,
  phase: 'found' | 'left',
  camIds: readonly string[],
): readonly string[] {
  if (phase === 'found' || !state.steps['lashFound']) return camIds
  return camIds.filter((id) => lastIn(state, 'lash', 'found', id))
}

const lash = (phase: 'found' | 'left'): Pick<StepKindRecord, 'targets' | 'phase' | 'evidence'> => ({
  targets: ({ cams }) => (cams.length > 0 ? [cams.map(({ id }) => id)] : []),
  phase,
  evidence: ({ state, targetIds }) => {
    const asked = lashAsked(state, phase, targetIds)
    const known = targetIds.filter((id) => lastIn(state, 'lash', phase, id)).length
    if (known >= targetIds.length) return 'proved'
    if (known >= asked.length) return 'read'
    return known === 0 ? 'none' : 'read'
  },
})

export const lashFound: StepKindRecord = {
  ...lash('found'),
  needs: ['madeSafe', 'lookedOver'],
  gives: ['lashFound'],
  hindrance: noValveSays,
}
export const lashLeft: StepKindRecord = { ...lash('left'), needs: ['timingLeft', 'tight'], gives: ['lashLeft'] }
