import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const deviationShape = entryShape('deviation', 'A camshaft left off the book on purpose', {
  shaftId: field.id('The camshaft'),
  latenessDeg: field.between('Off the book, crank degrees, + = late', -720, 720),
  reason: field.words('Why'),
})

export const deviation: LedgerKind<'deviation'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'deviation', shaftId: 'camshaft', latenessDeg: 2, reason: 'as it runs best' }],
}
