import { cautionsFor } from '@link-count/core/runSheet'
import type { StepView } from '../stepView'
import { MakeSafe } from './MakeSafe'

export const makeSafe: StepView = {
  Panel: MakeSafe,
  result: (_step, { state, sheet }) => {
    const all = cautionsFor(sheet).filter(({ gate }) => gate)
    return `${all.filter(({ id }) => state.ticked.has(id)).length} of ${all.length} ticked`
  },
}
