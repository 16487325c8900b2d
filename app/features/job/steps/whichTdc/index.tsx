import type { StepView } from '../stepView'
import { WhichTdc } from './WhichTdc'

export const whichTdc: StepView = {
  Panel: WhichTdc,
  result: (_step, { state: { half } }) =>
    ({
      proved: <span className="proved">proved</span>,
      read: 'one witness',
      conflict: 'conflict',
      unknown: '',
    })[half.known],
}
