import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeTensioner } from '../stand/links'
import { byTheStand, type LedgerKind } from './kind'

export const tensionerShape = entryShape('tensioner', 'A tensioner held back, fitted, let go or felt to push', {
  memberId: field.id('The tensioner'),
  state: field.oneOf('Held back; fitted, still held back; let go; felt to push', [
    'heldBack',
    'fitted',
    'released',
    'proven',
  ]),
})

export const tensioner: LedgerKind<'tensioner'> = {
  inJob: byTheStand,
  onEngine: takeTensioner,
  leansOnWheel: false,
  samples: [{ kind: 'tensioner', memberId: 'tensioner', state: 'released' }],
}
