import { entryShape } from '../../model/entryShape'
import { seenOff } from '../../byMark'
import * as field from '../../model/fields'
import { takeCamSet } from '../stand/parts'
import type { LedgerKind } from './kind'

export const camSetShape = entryShape('camSet', 'A camshaft set to its mark, or seen at it', {
  shaftId: field.id('The camshaft'),
  offDeg: field.between('Off its mark, degrees of its own, + = late', -180, 180),
  off: seenOff.describe('What that was told by; nothing = its mark by eye').optional(),
  markId: field.id('The mark that it was seen by').optional(),
})

export const camSet: LedgerKind<'camSet'> = {
  inJob: (soFar, entry) => {
    soFar.camSet[entry.shaftId] = entry
  },
  onEngine: takeCamSet,
  leansOnWheel: false,
  samples: [
    { kind: 'camSet', shaftId: 'camshaft', offDeg: 2 },
    { kind: 'camSet', shaftId: 'camshaft', offDeg: -15, off: { by: 'clock', hours: -0.5, sureToHours: 0.5 } },
  ],
}
