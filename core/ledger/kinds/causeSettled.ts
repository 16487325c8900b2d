import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const causeSettledShape = entryShape('causeSettled', 'A cause of what was wrong looked into', {
  cause: field.id('Which cause'),
  is: field.oneOf('It is this, it is not, or it is open again', ['found', 'ruledOut', 'open']),
  by: field.words('What showed it'),
})

export const causeSettled: LedgerKind<'causeSettled'> = {
  inJob: keep(({ cause }) => cause),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'causeSettled', cause: 'valveTight', is: 'ruledOut', by: 'all gaps as the book has them' }],
}
