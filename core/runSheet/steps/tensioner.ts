import { placeOfLink } from '../../drive'
import { allOf } from '../../ledger'
import { partsOf } from '../../sheet'
import type { StepKindRecord } from './step'
import { each } from './targets'

export const tensioner: StepKindRecord = {
  targets: (sheet) => each(partsOf(sheet).tensioners),
  needs: ['loopOn', 'slackFound'],
  gives: ['tight'],
  workedAt: (sheet, [memberId]) => {
    const loop = sheet.loops.find(({ path }) => path.some((part) => part.memberId === memberId))
    return loop ? placeOfLink(sheet, loop.id) : sheet.referencePose.crankDeg.value
  },
  evidence: ({ state, targetIds: [memberId = ''] }) => {
    // What an earlier job left says nothing for this one's own step.
    if (!allOf(state, 'tensioner').some((entry) => entry.memberId === memberId)) return 'none'
    const at = state.tensioners[memberId]
    if (at === 'proven') return 'proved'
    if (at === 'released' || at === 'locked') return 'read'
    return at === undefined || at === 'asArrived' ? 'none' : 'part'
  },
}
