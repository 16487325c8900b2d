import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeMeshCount } from '../stand/links'
import { keep, type LedgerKind } from './kind'

export const meshCountShape = entryShape('meshCount', 'Teeth between the marks of two gears in mesh, along both', {
  couplingId: field.id('The mesh'),
  phase: field.phase,
  teeth: field.whole(
    'Teeth from the mark of the gear nearer the crank through the mesh to that of the other, + = the other’s comes to the mesh last; 0: they face each other',
    -400,
    400,
  ),
})

export const meshCount: LedgerKind<'meshCount'> = {
  inJob: keep(({ phase, couplingId }) => `${phase} ${couplingId}`),
  onEngine: takeMeshCount,
  leansOnWheel: false,
  samples: [{ kind: 'meshCount', couplingId: 'nowhere', phase: 'found', teeth: -1 }],
}
