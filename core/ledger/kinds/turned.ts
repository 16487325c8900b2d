import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeTurned } from '../stand/crank'
import { byTheStand, type LedgerKind } from './kind'

export const turnedShape = entryShape('turned', 'The crank turned', {
  deg: field.between('Crank degrees turned, + = in the running direction', -7200, 7200),
  ended: field.oneOf('Where it ended: short of the mark, on it, past it', ['short', 'onMark', 'past']),
  towardsDeg: field.onCycle('The place of the crank that was meant to be reached').optional(),
  wheelDeg: field.onWheel('What the wheel reads there').optional(),
})

export const turned: LedgerKind<'turned'> = {
  inJob: byTheStand,
  onEngine: takeTurned,
  leansOnWheel: ({ wheelDeg }) => wheelDeg !== undefined,
  samples: [
    { kind: 'turned', deg: 90, ended: 'onMark' },
    { kind: 'turned', deg: -30, ended: 'past', wheelDeg: 20 },
  ],
}
