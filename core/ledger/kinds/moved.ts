import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { forgetLaterReadings } from '../takeDrive'
import { takeMoved } from '../stand/links'
import type { LedgerKind } from './kind'

export const movedShape = entryShape('moved', 'Teeth that a loop was laid over a sprocket', {
  loopId: field.id('The chain or belt'),
  memberId: field.id('The sprocket it was laid over'),
  teeth: field.whole('So many teeth, + = further in the running direction', -200, 200),
  seats: field
    .byIdOf(
      'How many pitches late its sprockets then stand by their marks on purpose, where that is not what the book counts; by sprocket',
      field.between('Pitches, + = late', -400, 400),
    )
    .optional(),
})

export const moved: LedgerKind<'moved'> = {
  inJob: (soFar, entry, sheet) => {
    if (sheet.loops.some(({ id }) => id === entry.loopId)) forgetLaterReadings(soFar, sheet, entry)
  },
  onEngine: takeMoved,
  leansOnWheel: false,
  samples: [{ kind: 'moved', loopId: 'chain', memberId: 'cam-sprocket', teeth: 1, seats: { 'cam-sprocket': 1 } }],
}
