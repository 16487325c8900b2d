import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, withTheZeros, type LedgerKind } from './kind'

export const wheelKnockedShape = entryShape(
  'wheelKnocked',
  'Wheel or pointer was disturbed: the zero holds no longer until it is read again',
  {
    what: field.oneOf('What was disturbed', ['wheel', 'pointer', 'notSure']),
  },
)

export const wheelKnocked: LedgerKind<'wheelKnocked'> = {
  inJob: withTheZeros,
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'wheelKnocked', what: 'pointer' }],
}
