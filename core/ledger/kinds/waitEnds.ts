import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const waitEndsShape = entryShape('waitEnds', 'A wait that is over, or that was passed over', {
  waitId: field.id('Which wait'),
  by: field.oneOf(
    'By the clocks of this device; by a watch, after the page was closed or its clock jumped; by the maker’s rule, after an alarm; or passed over, with a reason',
    ['clocks', 'watch', 'rule', 'passedOver'],
  ),
  reason: field.words('The maker’s rule, or why it was passed over'),
  role: field.words('By whose word, as a role'),
  source: field.words('Where the maker’s rule stands'),
})

export const waitEnds: LedgerKind<'waitEnds'> = {
  inJob: keep(({ waitId }) => waitId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'waitEnds', waitId: 'wait', by: 'clocks', reason: '', role: '', source: '' }],
}
