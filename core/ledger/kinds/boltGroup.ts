import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const boltGroupShape = entryShape('boltGroup', 'A group of bolts or nuts loosened, or its tightening begun', {
  groupId: field.id('Which bolts or nuts'),
  change: field.oneOf('All of them loosened: what was done before says nothing more; or their tightening begun', [
    'loosened',
    'begun',
  ]),
  boltsAre: field.oneOf('New ones, or those that came out', ['new', 'used']).optional(),
  counterHeld: field.yesNo('A counter-hold takes the torque, none goes through a lock').optional(),
})

export const boltGroup: LedgerKind<'boltGroup'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'boltGroup', groupId: 'flywheel', change: 'loosened' },
    { kind: 'boltGroup', groupId: 'flywheel', change: 'begun', boltsAre: 'new' },
  ],
}
