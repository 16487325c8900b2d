import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, withTheZeros, type LedgerKind } from './kind'

export const leaningShape = entryShape(
  'leaning',
  'From which reading on the wheel had already slipped, and whether those are shifted by the slip or have to be taken again',
  {
    knockId: field.id('The line that says the wheel was disturbed'),
    fromEntryId: field.id('The first reading after it slipped'),
    how: field.oneOf('Shifted by the slip, or to be taken again', ['shift', 'retake']),
  },
)

export const leaning: LedgerKind<'leaning'> = {
  inJob: withTheZeros,
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'leaning', knockId: 'nowhere', fromEntryId: 'nowhere', how: 'shift' }],
}
