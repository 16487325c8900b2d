import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { beforeAll, type LedgerKind } from './kind'

export const strikeShape = entryShape(
  'strike',
  'Takes an earlier line out; a strike that is itself struck takes nothing out',
  {
    targetId: field.id('The line that is struck; struck itself, that one holds again'),
    reason: field.words('Why'),
  },
)

export const strike: LedgerKind<'strike'> = {
  inJob: beforeAll,
  onEngine: beforeAll,
  leansOnWheel: false,
  samples: [{ kind: 'strike', targetId: 'nowhere', reason: '' }],
}
