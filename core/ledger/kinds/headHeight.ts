import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const headHeightShape = entryShape('headHeight', 'How much lower a head or block stands than its book height', {
  lowerMm: field.between('How much lower a head or block stands than its book height, mm', -5, 20),
  bankId: field.id('Of which bank; without it, of all').optional(),
})

export const headHeight: LedgerKind<'headHeight'> = {
  inJob: keep(({ bankId }) => bankId ?? ''),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'headHeight', lowerMm: 0.3 }],
}
