import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const targetShape = entryShape('target', 'What a camshaft is to be set to, other than the book, and why', {
  shaftId: field.id('The camshaft'),
  latenessDeg: field.between('Off the book on purpose, crank degrees, + = late', -90, 90),
  reason: field.words('Why'),
})

export const target: LedgerKind<'target'> = {
  inJob: keep(({ shaftId }) => shaftId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'target', shaftId: 'camshaft', latenessDeg: -2, reason: 'as it runs best' }],
}
