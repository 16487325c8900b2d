import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const closeShape = entryShape('close', 'The job closed and signed', {
  role: field.words('Who signs'),
  reason: field.words('Why, where something was left open'),
})

export const close: LedgerKind<'close'> = {
  inJob: keep(() => ''),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'close', role: 'fitter', reason: '' }],
}
