import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const shimShape = entryShape('shim', "The shim that sits under a valve's follower", {
  camId: field.id('The valve'),
  phase: field.phase,
  sizeMm: field.between('How thick it is, mm', 0.1, 30),
})

export const shim: LedgerKind<'shim'> = {
  inJob: keep(({ camId }) => camId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'shim', camId: 'cam-1-inlet', phase: 'found', sizeMm: 2.5 }],
}
