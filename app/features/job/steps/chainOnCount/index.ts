import type { StepView } from '../stepView'
import { ChainOnCount } from './ChainOnCount'

export const chainOnCount: StepView = {
  Panel: ChainOnCount,
  result: ({ targetIds: [loopId] }, { state }) => {
    const count = state.counts.findLast((one) => one.phase === 'set' && one.loopId === loopId)
    return count ? `${count.counted} counted` : ''
  },
}
