import { fixed } from '@link-count/core/units'
import { wheelAsSeen } from '../../../../ui/job'
import type { StepView } from '../stepView'
import { TrueTdc } from './TrueTdc'

export const trueTdc: StepView = {
  Panel: TrueTdc,
  result: (_step, { state }) =>
    state.zero ? `wheel ${wheelAsSeen(state.zero.wheelDeg, state)} ± ${fixed(state.zero.plusMinusDeg, 2)}°` : '',
}
