import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeCamSet } from '../stand/parts'
import type { LedgerKind } from './kind'

export const camSetShape = entryShape('camSet', 'A camshaft set to its mark, or seen at it', {
  shaftId: field.id('The camshaft'),
  offDeg: field.between('Off its mark, degrees of its own, + = late', -180, 180),
})

export const camSet: LedgerKind<'camSet'> = {
  inJob: (soFar, entry) => {
    soFar.camSet[entry.shaftId] = entry
  },
  onEngine: takeCamSet,
  leansOnWheel: false,
  samples: [{ kind: 'camSet', shaftId: 'camshaft', offDeg: 2 }],
}
