import { placeOfLink } from '../../drive'
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
    const at = state.tensioners[memberId]
    if (at === 'proven') return 'proved'
    if (at === 'released' || at === 'locked') return 'read'
    return at === undefined || at === 'asArrived' ? 'none' : 'part'
  },
}
