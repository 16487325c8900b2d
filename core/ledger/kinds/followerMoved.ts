import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { FOLLOWER_SET_BY } from '../../model/followers'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const followerMovedShape = entryShape(
  'followerMoved',
  'A pump, magneto or distributor moved against its drive',
  {
    followerId: field.id('The pump, magneto or distributor'),
    cylinderId: field.id('Of single pumps: the cylinder of the one that was moved').optional(),
    how: field.oneOf('What was moved', FOLLOWER_SET_BY),
    amount: field.between('How far', 0, 1000),
    unit: field.oneOf('In mm at its slots or of shims, degrees of its own shaft, places, teeth', [
      'mm',
      'deg',
      'places',
      'teeth',
    ]),
    towards: field.oneOf('Earlier, or later', ['advance', 'retard']),
  },
)

export const followerMoved: LedgerKind<'followerMoved'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'followerMoved', followerId: 'pump', how: 'swing', amount: 1.5, unit: 'mm', towards: 'advance' }],
}
