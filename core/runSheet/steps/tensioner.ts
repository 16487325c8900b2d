import type { StepKindRecord } from './step'
import { each } from './targets'

export const tensioner: StepKindRecord = {
  targets: ({ members }) => each(members.filter(({ kind }) => kind === 'tensioner')),
  needs: ['loopOn'],
  gives: ['tight'],
  evidence: ({ state, targetIds: [memberId = ''] }) => {
    const at = state.tensioners[memberId]
    if (at === 'proven') return 'proved'
    return at === 'released' ? 'read' : at === 'fitted' || at === 'heldBack' ? 'part' : 'none'
  },
}
