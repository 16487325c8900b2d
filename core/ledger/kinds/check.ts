import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const checkShape = entryShape('check', 'A check at closing, at the first run or after it', {
  checkId: field.id('Which check'),
  is: field.oneOf('Done, there is nothing of the kind here, or owed', ['done', 'notHere', 'owed']),
  goMm: field.between('Of a gap: the blade that goes, mm', 0, 50).optional(),
  noGoMm: field.between('Of a gap: the blade that does not go, mm', 0, 50).optional(),
  words: field.words('What was read or seen, or why it is owed'),
})

export const check: LedgerKind<'check'> = {
  inJob: keep(({ checkId }) => checkId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'check', checkId: 'oilPockets', is: 'done', words: '' },
    { kind: 'check', checkId: 'guardGap', is: 'done', goMm: 0.5, noGoMm: 1.5, words: '' },
  ],
}
