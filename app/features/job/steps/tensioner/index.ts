import type { TensionerState } from '@link-count/core/ledger'
import type { StepView } from '../stepView'
import { TensionerStep } from './TensionerStep'

const words: Record<TensionerState, string> = {
  proven: 'felt to push',
  released: 'released',
  fitted: 'held',
  heldBack: 'held',
  asArrived: '',
  out: 'out',
  notSaid: 'not said',
  unknown: 'not known',
}

export const tensioner: StepView = {
  Panel: TensionerStep,
  result: ({ targetIds: [memberId = ''] }, { state }) => words[state.tensioners[memberId] ?? 'out'],
}
