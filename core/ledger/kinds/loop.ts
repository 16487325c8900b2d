import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { forgetLaterReadings } from '../takeDrive'
import { takeLoop } from '../stand/links'
import type { LedgerKind } from './kind'

export const loopShape = entryShape('loop', 'A chain or belt taken off or put on', {
  loopId: field.id('The chain or belt'),
  change: field.oneOf('Taken off, or put on', ['off', 'on']),
})

export const loop: LedgerKind<'loop'> = {
  inJob: (soFar, entry, sheet) => {
    if (sheet.loops.some(({ id }) => id === entry.loopId)) forgetLaterReadings(soFar, sheet, entry)
  },
  onEngine: takeLoop,
  leansOnWheel: false,
  samples: [{ kind: 'loop', loopId: 'chain', change: 'off' }],
}
