import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { timeSchema } from '../../model/primitives'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const waitShape = entryShape('wait', 'A wait before something may be opened or put back', {
  waitId: field.id('This wait'),
  holds: field.oneOf(
    'What it holds: opening the crankcase of an engine that ran, putting plugs back into a coupling that was let go, or something else',
    ['crankcase', 'couplingPlugs', 'other'],
  ),
  where: field.words('What is waited for, in words'),
  beganAt: timeSchema.describe('When the engine stopped or the pressure was let go, as it was said, ISO 8601, UTC'),
  minutes: field.whole('How long, minutes', 1, 1440),
  alarm: field
    .oneOf('Of a crankcase: whether a bearing or oil-mist alarm rang before it stopped', ['no', 'rang', 'notKnown'])
    .optional(),
})

export const wait: LedgerKind<'wait'> = {
  inJob: keep(({ waitId }) => waitId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'wait',
      waitId: 'wait',
      holds: 'crankcase',
      where: '',
      beganAt: '2026-11-24T10:05:00.000Z',
      minutes: 20,
      alarm: 'no',
    },
  ],
}
