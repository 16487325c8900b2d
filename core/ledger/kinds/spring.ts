import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const springShape = entryShape('spring', 'The length of a tensioner’s spring', {
  memberId: field.id('The tensioner'),
  what: field.oneOf('Free, as it is set, or again after the upper nut was tightened', ['free', 'set', 'afterNut']),
  mm: field.between('Its length, mm', 0.1, 5000),
  plusMinusMm: field.between('The ± of it, mm, two sigma', 0, 100),
  look: field.oneOf('How the spring looks', ['sound', 'pitted', 'worn', 'coilBound']).optional(),
})

export const spring: LedgerKind<'spring'> = {
  inJob: keep(({ memberId, what }) => `${memberId} ${what}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'spring', memberId: 'tensioner', what: 'free', mm: 212.4, plusMinusMm: 0.2, look: 'sound' }],
}
