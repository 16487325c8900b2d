import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const tookOffShape = entryShape('tookOff', 'Something taken off, in the order in which it came off', {
  removalId: field.id('This thing: it goes back under the id it came off by'),
  what: field.words('What came off'),
  bag: field.whole('The number of its bag, where it is in one', 1, 9999).optional(),
  belongs: field.words('Where it belongs'),
  lies: field.words('Which way round it was: what faces where, what is written on it, which side a bevel is on'),
  fitsTwoWays: field.yesNo('It fits two ways: that is asked again when it goes back').optional(),
  opensCrankcase: field.yesNo('It opens the crankcase').optional(),
  couplingPlug: field
    .yesNo('It is a plug of a hydraulic coupling: it goes back only when the wait for its pressure is over')
    .optional(),
  aboveHole: field.yesNo('It is undone above an open hole').optional(),
})

export const tookOff: LedgerKind<'tookOff'> = {
  inJob: keep(({ removalId }) => removalId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'tookOff',
      removalId: 'cover',
      what: 'upper cover',
      bag: 1,
      belongs: 'timing side',
      lies: '',
    },
    {
      kind: 'tookOff',
      removalId: 'guide',
      what: 'guide plate',
      belongs: 'crank pulley',
      lies: 'bevel outward',
      fitsTwoWays: true,
    },
  ],
}
