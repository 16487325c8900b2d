import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { nothing, onlyOfJob, type LedgerKind } from './kind'

export const noteShape = entryShape('note', 'Words', { text: field.words('What somebody wrote') })

export const note: LedgerKind<'note'> = {
  inJob: nothing('Words are read by people.'),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'note', text: 'Left-hand thread' }],
}
