import { partsOf } from '../../sheet'
import type { StepKindRecord } from './step'
import { each } from './targets'

export const tensioner: StepKindRecord = {
  targets: (sheet) => each(partsOf(sheet).tensioners),
  needs: ['loopOn'],
  gives: ['tight'],
  evidence: ({ state, targetIds: [memberId = ''] }) => {
    const at = state.tensioners[memberId]
    if (at === 'proven') return 'proved'
    return at === 'released' ? 'read' : at === 'fitted' || at === 'heldBack' ? 'part' : 'none'
  },
}
