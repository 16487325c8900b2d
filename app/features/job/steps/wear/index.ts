import { readingsOfJob } from '@link-count/core/diagnose'
import { fixed } from '@link-count/core/units'
import type { StepView } from '../stepView'
import { Wear } from './Wear'

export const wear: StepView = {
  Panel: Wear,
  result: (_step, { sheet, state }) => {
    const grown = Object.values(readingsOfJob(sheet, state, 'found').elongation ?? {})
    return grown.length === 0 ? '' : `${fixed(Math.max(...grown.map(({ value }) => value)), 2)}% longer`
  },
}
