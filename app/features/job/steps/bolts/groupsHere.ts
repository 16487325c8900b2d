import { boltGroupsOf, stageOf, tighteningOf } from '@link-count/core/fasteners'
import type { BoltGroup } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import type { JobView } from '../../../../domain/views'

/** The bolts that are worked in a step: its own, those of what it is done on, or at the card all of them. */
export const groupsHere = (step: Step, { sheet }: Pick<JobView, 'sheet'>): readonly BoltGroup[] =>
  step.kind === 'card' ? (sheet.boltGroups ?? []) : boltGroupsOf(sheet, step.targetIds)

/** The one of them whose tightening was begun and is not through. */
export const groupInWork = (step: Step, view: Pick<JobView, 'sheet' | 'state'>): BoltGroup | undefined =>
  groupsHere(step, view).find((group) => {
    const tightening = tighteningOf(group, view.state)
    return tightening.begun !== undefined && stageOf(tightening) === 'inWork'
  })
