import { lastIn } from '../../ledger'
import { noValveSays } from './hindrances'
import type { StepKindRecord } from './step'

const lash = (phase: 'found' | 'left'): Pick<StepKindRecord, 'targets' | 'phase' | 'evidence'> => ({
  targets: ({ cams }) => (cams.length > 0 ? [cams.map(({ id }) => id)] : []),
  phase,
  evidence: ({ state, targetIds }) => {
    const known = targetIds.filter((id) => lastIn(state, 'lash', phase, id)).length
    return known === 0 ? 'none' : known < targetIds.length ? 'read' : 'proved'
  },
})

export const lashFound: StepKindRecord = {
  ...lash('found'),
  needs: ['madeSafe', 'lookedOver'],
  gives: ['lashFound'],
  hindrance: noValveSays,
}
export const lashLeft: StepKindRecord = { ...lash('left'), needs: ['timingLeft', 'tight'], gives: ['lashLeft'] }
