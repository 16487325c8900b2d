import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const putBackShape = entryShape('putBack', 'Something that came off put back, or left off', {
  removalId: field.id('What came off'),
  as: field.oneOf('As it was, the other way round, another part in its place, or left off on purpose', [
    'same',
    'turned',
    'another',
    'leftOff',
  ]),
  reason: field.words('Why it is not as it was'),
})

export const putBack: LedgerKind<'putBack'> = {
  inJob: keep(({ removalId }) => removalId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'putBack', removalId: 'cover', as: 'same', reason: '' },
    { kind: 'putBack', removalId: 'guide', as: 'turned', reason: 'it was on the wrong way round' },
  ],
}
