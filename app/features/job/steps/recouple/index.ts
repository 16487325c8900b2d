import type { StepView } from '../stepView'
import { Recouple } from './Recouple'

export const recouple: StepView = {
  Panel: Recouple,
  result: ({ targetIds: [id = ''] }, { state }) => {
    const is = state.couplings[id]
    if (is) return is.together ? (is.proof === 'asArrived' ? '' : 'together again') : 'apart'
    return ''
  },
}
