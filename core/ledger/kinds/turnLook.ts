import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const turnLookShape = entryShape(
  'turnLook',
  'What was seen or felt at the end of a full turn that proves, or on the way',
  {
    turn: field.whole('The how many-eth full turn since everything was tight', 1, 20),
    saw: field
      .eitherBy('what', [
        field.group({
          what: field.exactly('marks'),
          is: field.oneOf('They meet again, or they do not', ['meet', 'off']),
        }),
        field.group({
          what: field.exactly('walk'),
          mm: field.between('How far the belt went outward on its pulley in this turn, mm; minus = inward', -50, 50),
        }),
        field.group({
          what: field.exactly('locks'),
          is: field.oneOf('Locks and pins go in again, or do not', ['goIn', 'doNot']),
        }),
        field.group({
          what: field.exactly('resistance'),
          crankDeg: field.onCycle('Where the crank stood').optional(),
          how: field.oneOf('How hard it was', ['light', 'firm', 'stop']),
        }),
      ])
      .describe('What was seen or felt'),
  },
)

export const turnLook: LedgerKind<'turnLook'> = {
  inJob: keep(({ id, turn, saw }) => (saw.what === 'resistance' ? id : `${turn} ${saw.what}`)),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'turnLook', turn: 1, saw: { what: 'marks', is: 'meet' } },
    { kind: 'turnLook', turn: 1, saw: { what: 'walk', mm: 0.5 } },
    { kind: 'turnLook', turn: 2, saw: { what: 'locks', is: 'goIn' } },
    { kind: 'turnLook', turn: 1, saw: { what: 'resistance', crankDeg: 310, how: 'firm' } },
  ],
}
