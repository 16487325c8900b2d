import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const leadsSeenShape = entryShape(
  'leadsSeen',
  'Which cylinder each outlet or segment of a pump, magneto or distributor leads to',
  {
    followerId: field.id('The pump, magneto or distributor'),
    phase: field.phase,
    cylinderIds: field
      .listOf(field.id('A cylinder'), 1, 56)
      .describe('In the order in which it comes to them, in its own direction'),
  },
)

export const leadsSeen: LedgerKind<'leadsSeen'> = {
  inJob: keep(({ followerId, phase }) => `${followerId} ${phase}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'leadsSeen', followerId: 'distributor', phase: 'found', cylinderIds: ['cyl-1', 'cyl-2'] }],
}
