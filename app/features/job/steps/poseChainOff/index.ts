import { formatClock } from '../../../../ui/wording'
import type { StepView } from '../stepView'
import { PoseChainOff } from './PoseChainOff'

export const poseChainOff: StepView = {
  Panel: PoseChainOff,
  result: ({ targetIds: [loopId] }, { state }) => {
    const off = state.live.findLast(
      (entry) => entry.kind === 'loop' && entry.change === 'off' && entry.loopId === loopId,
    )
    return off ? formatClock(off.at) : ''
  },
}
