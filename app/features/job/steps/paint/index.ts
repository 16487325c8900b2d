import type { StepView } from '../stepView'
import { Paint } from './Paint'

export const paint: StepView = {
  Panel: Paint,
  result: ({ targetIds: [loopId = ''] }, { state }) => {
    const counts = state.counts.filter((one) => one.loopId === loopId && one.phase === 'found')
    return counts.length === 0 ? '' : counts.map(({ counted }) => counted).join(', ')
  },
}
