import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, withTheZeros, type LedgerKind } from './kind'

export const contactAgainShape = entryShape('contactAgain', 'One contact of a stop that has stayed in, read again', {
  ofEntryId: field.id('The line with the contacts of that stop'),
  which: field.oneOf('Which of its contacts', ['first', 'second']),
  wheelDeg: field.onWheel('Where it is met now'),
})

export const contactAgain: LedgerKind<'contactAgain'> = {
  inJob: withTheZeros,
  onEngine: onlyOfJob,
  leansOnWheel: true,
  samples: [{ kind: 'contactAgain', ofEntryId: 'nowhere', which: 'first', wheelDeg: 341 }],
}
