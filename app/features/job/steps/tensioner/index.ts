import { tensionerStateWords } from '../../../../ui/wording'
import type { StepView } from '../stepView'
import { TensionerStep } from './TensionerStep'

const others = { asArrived: '', out: 'out', notSaid: 'not said', unknown: 'not known' } as const

export const tensioner: StepView = {
  Panel: TensionerStep,
  result: ({ targetIds: [memberId = ''] }, { state }) => {
    const at = state.tensioners[memberId] ?? 'out'
    return at in others
      ? others[at as keyof typeof others]
      : tensionerStateWords[at as keyof typeof tensionerStateWords]
  },
}
