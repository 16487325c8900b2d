import type { StepView } from '../stepView'
import { worstTiming } from '../worstTiming'
import { TwoTurns } from './TwoTurns'

export const twoTurns: StepView = {
  Panel: TwoTurns,
  result: (_step, { state, sheet }) =>
    worstTiming(sheet.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => state.timing[id]?.left)),
}
