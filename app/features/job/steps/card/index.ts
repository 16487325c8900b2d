import type { StepView } from '../stepView'
import { CardStep } from './CardStep'

export const card: StepView = { Panel: CardStep, result: (_step, { state }) => (state.closed ? 'signed' : '') }
