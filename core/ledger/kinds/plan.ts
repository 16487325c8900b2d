import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { STEP_KINDS } from '../../model/stepKinds'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const planShape = entryShape('plan', 'The run sheet of a job changed: a step put in, left out, moved', {
  does: field.oneOf('Put in, left out, or moved', ['add', 'leaveOut', 'move']),
  target: field.id('The step; of one that is put in, what it is to be called'),
  stepKind: field.oneOf('What kind of step is put in', STEP_KINDS).optional(),
  targetIds: field.listOf(field.id('A part that it is done on'), 0, 120).optional().describe('The parts it is done on'),
  before: field.id('The step that it comes before; without one, the card').optional(),
  reason: field.words('Why, where it is left out'),
})

export const plan: LedgerKind<'plan'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'plan', does: 'add', target: 'wear-1', stepKind: 'wear', targetIds: [], before: 'card', reason: '' },
    { kind: 'plan', does: 'leaveOut', target: 'lashFound', reason: 'no blades here' },
    { kind: 'plan', does: 'move', target: 'pressures', before: 'lashFound', reason: '' },
  ],
}
