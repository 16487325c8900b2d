import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const chainLengthShape = entryShape(
  'chainLength',
  'A chain or belt measured over so many pitches, pulled lightly',
  {
    loopId: field.id('The chain or belt'),
    overPitches: field.whole('Over so many pitches', 1, 2000),
    measuredMm: field.between('How long they are, mm', 1, 100_000),
  },
)

export const chainLength: LedgerKind<'chainLength'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'chainLength', loopId: 'chain', overPitches: 10, measuredMm: 95.6 }],
}
