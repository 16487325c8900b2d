import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { SLACK_WAYS } from '../../model/tighteners'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const slackShape = entryShape(
  'slack',
  'How slack or tight a run of a chain or belt is, at one place of its turn',
  {
    loopId: field.id('The chain or belt'),
    fromMemberId: field.id('The run it was read on: the part it leaves'),
    toMemberId: field.id('and the part it goes to'),
    place: field.oneOf('Where along the run', ['middle', 'third', 'besideWheel']),
    by: field.oneOf(
      'To and fro, one way, in links, what lifts off a wheel, by a twist, by feel; a pitch in hertz is a pluck',
      SLACK_WAYS,
    ),
    with: field.oneOf('What it was read with', ['hand', 'finger', 'screwdriver', 'rule', 'dial', 'ear']),
    mm: field.between('To and fro, one way or lifted, mm', 0, 500).optional(),
    links: field.between('To and fro, in links', 0, 20).optional(),
    twistDeg: field.between('Twisted by so many degrees between finger and thumb', 0, 360).optional(),
    hz: field.between('Its pitch, hertz', 5, 5000).optional(),
    plucks: field
      .listOf(
        field.group({
          hz: field.between('Its pitch, hertz', 5, 5000).optional(),
          plusMinusHz: field.between('The ± of it, two sigma', 0, 5000).optional(),
          used: field.yesNo('It is counted in'),
          why: field.oneOf('Why not', ['tooShort', 'noise', 'octave', 'apart']).optional(),
        }),
        1,
        40,
      )
      .optional()
      .describe('Of a pitch that was listened to: every pluck'),
    soundId: field.id('The recording it was heard in').optional(),
    crankDeg: field.onCycle('Where the crank stood').optional(),
    degC: field.between('How warm it was, degrees Celsius', -40, 200).optional(),
    felt: field.oneOf('By feel', ['slack', 'movable', 'tightMovable', 'tooTight']).optional(),
    plusMinus: field.between('The ± of the figure, in its own unit, two sigma', 0, 500),
    turnDeg: field
      .between('Crank degrees turned on since the first place of its round', -1_000_000, 1_000_000)
      .optional(),
    support: field.oneOf('Whether everything that has to be fitted for it was', ['fitted', 'missing']).optional(),
    phase: field.phase,
  },
)

export const slack: LedgerKind<'slack'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'slack',
      loopId: 'chain',
      fromMemberId: 'crank-sprocket',
      toMemberId: 'cam-sprocket',
      place: 'middle',
      by: 'toAndFro',
      with: 'finger',
      mm: 5.2,
      plusMinus: 0.5,
      turnDeg: 0,
      support: 'fitted',
      phase: 'found',
    },
  ],
}
