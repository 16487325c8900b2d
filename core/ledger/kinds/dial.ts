import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, withTheZeros, type LedgerKind } from './kind'

export const dialShape = entryShape('dial', 'What the dial is read to', {
  readToMm: field.between('Read to so many mm', 0.0001, 1),
})

export const dial: LedgerKind<'dial'> = {
  inJob: withTheZeros,
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'dial', readToMm: 0.01 }],
}
