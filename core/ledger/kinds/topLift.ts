import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const topLiftShape = entryShape('topLift', "The most that a valve is lifted, where the sheet's lifts are told", {
  camId: field.id('The valve'),
  phase: field.phase,
  liftMm: field.between('Its lift, mm', 0, 100),
})

export const topLift: LedgerKind<'topLift'> = {
  inJob: keep(({ phase, camId }) => `${phase} ${camId}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'topLift', camId: 'cam-1-inlet', phase: 'found', liftMm: 8.4 }],
}
