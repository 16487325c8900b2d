import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, withTheZeros, type LedgerKind } from './kind'

const rises = field.oneOf(
  'Turning which way its numbers go up. On a mirrored wheel the numbers say nothing of that; only the words before and after do',
  ['running', 'against'],
)

/** How the wheel, or the tape on the rim, is numbered. */
export const wheelScale = field.eitherBy('kind', [
  field.group({
    kind: field.oneOf('Numbered all round, to 180 and back, or in quarters', ['full', 'half', 'quarter']),
    rises,
    readToDeg: field.between('Read to so many degrees', 0.01, 15),
  }),
  field.group({
    kind: field.exactly('rim'),
    rises,
    circumferenceMm: field.between('Once round the rim, mm', 50, 20_000),
    datumMm: field.between('What the tape reads at the datum mark, mm; chords start from it', -1000, 20_000),
    measure: field.oneOf('The tape laid round the rim, or straight across', ['wrapped', 'chord']),
    readToMm: field.between('Read to so many mm', 0.01, 20),
  }),
])

export const degreeWheelShape = entryShape(
  'degreeWheel',
  'The degree wheel, or a tape on the rim, fitted: how it is numbered',
  { scale: wheelScale.describe('How it is numbered') },
)

export type WheelScale = field.ValueOf<typeof wheelScale>

export const degreeWheel: LedgerKind<'degreeWheel'> = {
  inJob: withTheZeros,
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'degreeWheel', scale: { kind: 'full', rises: 'running', readToDeg: 0.5 } }],
}
