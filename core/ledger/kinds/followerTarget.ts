import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { FOLLOWER_FIGURES } from '../../model/followers'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const followerTargetShape = entryShape(
  'followerTarget',
  'What a pump, magneto or distributor is set to in this job, and why',
  {
    followerId: field.id('The pump, magneto or distributor'),
    by: field.oneOf('What the figure is', FOLLOWER_FIGURES),
    value: field.between('The figure, mm or degrees of the crank before firing TDC', 0, 1000),
    which: field.oneOf('The book’s own, its brisker or its softer one, or one of one’s own', [
      'book',
      'brisker',
      'softer',
      'own',
    ]),
    reason: field.words('Why'),
  },
)

export const followerTarget: LedgerKind<'followerTarget'> = {
  inJob: keep(({ followerId }) => followerId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'followerTarget', followerId: 'pump', by: 'lift', value: 0.93, which: 'brisker', reason: 'pulls better' },
  ],
}
