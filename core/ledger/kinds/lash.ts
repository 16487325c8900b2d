import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const lashShape = entryShape('lash', 'The gap at a valve', {
  camId: field.id('The valve'),
  phase: field.phase,
  gapMm: field.between('The gap, mm; with `noGoMm` the blade that goes', 0, 50),
  noGoMm: field.between('The blade that does not go, mm', 0, 50).optional(),
})

export const lash: LedgerKind<'lash'> = {
  inJob: keep(({ phase, camId }) => `${phase} ${camId}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'lash', camId: 'cam-1-inlet', phase: 'found', gapMm: 0.2, noGoMm: 0.25 }],
}
