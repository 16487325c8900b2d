import { byId } from '../../byId'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, type LedgerKind } from './kind'

export const stepShape = entryShape('step', 'A step of the run sheet gone on from, passed over or opened again', {
  target: field.id('The step of the run sheet'),
  outcome: field.oneOf('Gone on from, passed over, or opened again', ['done', 'skipped', 'reopened']),
  reason: field.words('Why, where it was passed over or opened again'),
})

export const step: LedgerKind<'step'> = {
  inJob: (soFar, { target, outcome, reason }) => {
    soFar.steps = byId(Object.entries(soFar.steps).filter(([id]) => id !== target))
    if (outcome !== 'reopened') soFar.steps[target] = { outcome, reason }
  },
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'step', target: 'makeSafe', outcome: 'done', reason: '' }],
}
