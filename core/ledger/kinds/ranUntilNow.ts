import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeRan } from '../stand/parts'
import { byTheStand, type LedgerKind } from './kind'

export const ranUntilNowShape = entryShape(
  'ranUntilNow',
  "Whether the engine came in whole and ran as it stands until now, by somebody's word",
  {
    says: field.oneOf('Whether it came in whole and ran as it stands', ['yes', 'no', 'notKnown']),
    role: field.words('Whose word it is'),
  },
)

export const ranUntilNow: LedgerKind<'ranUntilNow'> = {
  inJob: byTheStand,
  onEngine: takeRan,
  leansOnWheel: false,
  samples: [{ kind: 'ranUntilNow', says: 'yes', role: 'owner' }],
}
