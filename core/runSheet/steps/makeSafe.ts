import { cautionsFor } from '../cautions'
import type { StepKindRecord } from './step'

export const makeSafe: StepKindRecord = {
  targets: () => [[]],
  needs: [],
  gives: ['madeSafe'],
  evidence: ({ sheet, state }) => {
    const gates = cautionsFor(sheet).filter(({ gate }) => gate)
    const done = gates.filter(({ id }) => state.ticked.has(id)).length
    return done === 0 ? 'none' : done < gates.length ? 'part' : 'proved'
  },
}
