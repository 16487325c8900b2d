import { removalsOf, toRefit } from '@link-count/core/removals'
import { GettingBackStep } from '../../removals/GettingBack'
import { GettingIn } from '../../removals/GettingIn'
import type { StepView } from '../stepView'

export const gettingIn: StepView = {
  Panel: GettingIn,
  result: (_step, { state }) => {
    const n = removalsOf(state).length
    return n === 0 ? undefined : `${n} came off`
  },
}

export const gettingBack: StepView = {
  Panel: GettingBackStep,
  result: (_step, { state }) => {
    const removals = removalsOf(state)
    return removals.length === 0
      ? undefined
      : `${removals.length - toRefit(removals).length} of ${removals.length} back`
  },
}
