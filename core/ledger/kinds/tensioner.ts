import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { TENSIONER_STATES } from '../../model/tighteners'
import { takeTensioner } from '../stand/links'
import { keep, type LedgerKind } from './kind'

export const tensionerShape = entryShape(
  'tensioner',
  'A tensioner taken back, fitted, let go, set, locked or felt to push',
  {
    memberId: field.id('The tensioner'),
    state: field.oneOf(
      'Not wound in or latched; held back; fitted, still held back; let go; slacked off; moved to its place and not locked; held by its spring alone, its bolt or nuts loose; drawn tight with a lever; locked; felt to push',
      TENSIONER_STATES,
    ),
    by: field
      .group({
        amount: field.between('So much', 0, 1000),
        unit: field.oneOf('Of what', ['deg', 'notches', 'flats', 'mm']),
        towards: field.oneOf('Which way', ['tight', 'slack']),
      })
      .optional()
      .describe('How far it was moved'),
  },
)

export const tensioner: LedgerKind<'tensioner'> = {
  inJob: keep(),
  onEngine: takeTensioner,
  leansOnWheel: false,
  samples: [
    { kind: 'tensioner', memberId: 'tensioner', state: 'released' },
    { kind: 'tensioner', memberId: 'tensioner', state: 'set', by: { amount: 3, unit: 'notches', towards: 'tight' } },
  ],
}
