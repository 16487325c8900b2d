import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const findingShape = entryShape('finding', 'What was seen on a part, and what is to be done with it', {
  part: field.oneOf('What was looked at', ['camshaft', 'loop', 'tensioner', 'sprocket']),
  partId: field.id('Which'),
  saw: field.words('What was seen'),
  mm: field.between('How much, where it was measured, mm', 0, 1000).optional(),
  verdict: field.oneOf('It goes on, is renewed now, is renewed with what runs on it, or is left so on purpose', [
    'goesOn',
    'renewNow',
    'renewAsSet',
    'leftOnPurpose',
  ]),
})

export const finding: LedgerKind<'finding'> = {
  inJob: keep(({ part, partId }) => `${part} ${partId}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'finding', part: 'camshaft', partId: 'camshaft', saw: 'bright, no pitting', verdict: 'goesOn' }],
}
