import type { StepView } from '../stepView'
import { worstTiming } from '../worstTiming'
import { AsFound } from './AsFound'

export const asFound: StepView = {
  Panel: AsFound,
  result: ({ targetIds }, { state }) => worstTiming(targetIds.map((id) => state.timing[id]?.found)),
}
