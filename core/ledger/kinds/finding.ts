import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { LOOKED_AT } from '../../model/findings'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const findingShape = entryShape('finding', 'What was seen on a part, and what is to be done with it', {
  part: field.oneOf('What was looked at', LOOKED_AT),
  partId: field.id('Which, on the build sheet; of what is not on it an id of its own'),
  name: field.words('What it is called, where it is not on the build sheet').optional(),
  saw: field.words('What was seen'),
  mm: field.between('How much, where it was measured, mm', 0, 1000).optional(),
  verdict: field.oneOf('It goes on, is renewed now, is renewed with what runs on it, or is left so on purpose', [
    'goesOn',
    'renewNow',
    'renewAsSet',
    'leftOnPurpose',
  ]),
  with: field.listOf(field.words('One of them'), 0, 12).optional().describe('What is renewed with it, in words'),
  reason: field.words('Why it is left so').optional(),
})

export const finding: LedgerKind<'finding'> = {
  inJob: keep(({ part, partId }) => `${part} ${partId}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'finding',
      part: 'clip',
      partId: 'clip-1',
      name: 'clip of the idler',
      saw: 'cracked',
      verdict: 'renewAsSet',
      with: ['washer'],
    },
    { kind: 'finding', part: 'camshaft', partId: 'camshaft', saw: 'bright, no pitting', verdict: 'goesOn' },
  ],
}
