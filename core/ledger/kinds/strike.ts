import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { nothing, type LedgerKind } from './kind'

export const strikeShape = entryShape(
  'strike',
  'Takes an earlier line out; a strike that is itself struck takes nothing out',
  {
    targetId: field.id('The line that is struck; struck itself, that one holds again'),
    reason: field.words('Why'),
  },
)

const before = nothing('Struck lines are left out before anything is folded.')

export const strike: LedgerKind<'strike'> = {
  inJob: before,
  onEngine: before,
  leansOnWheel: false,
  samples: [{ kind: 'strike', targetId: 'nowhere', reason: '' }],
}
