import { stageOf, tighteningOf } from '../../fasteners'
import type { StepKindRecord } from './step'
import { each } from './targets'

/** A group of bolts or nuts, tightened in its order and stages: through, in work, or not begun. */
export const bolts: StepKindRecord = {
  targets: ({ boltGroups }) => each(boltGroups ?? []),
  needs: ['madeSafe'],
  gives: [],
  evidence: ({ sheet, state, targetIds }) => {
    const group = sheet.boltGroups?.find(({ id }) => id === targetIds[0])
    const stage = group && stageOf(tighteningOf(group, state))
    return stage === 'done' ? 'read' : stage === 'inWork' ? 'part' : 'none'
  },
}
