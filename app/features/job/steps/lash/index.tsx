import { allOf } from '@link-count/core/ledger'
import type { StepView } from '../stepView'
import { Lash } from './Lash'

const lash = (phase: 'found' | 'left'): StepView => ({
  Panel: ({ step }) => <Lash step={step} phase={phase} />,
  result: ({ targetIds }, { state }) => {
    const n = allOf(state, 'lash').filter((one) => one.phase === phase).length
    return n === 0 ? '' : `${n} of ${targetIds.length} valves`
  },
})

export const lashFound = lash('found')
export const lashLeft = lash('left')
