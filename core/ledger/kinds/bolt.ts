import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const boltShape = entryShape('bolt', 'One bolt or nut, at one stage of its tightening', {
  groupId: field.id('The group it is of'),
  boltId: field.id('The bolt or nut'),
  pass: field.whole('Which time round, from 0: half turns are one time round each', 0, 100),
  did: field.oneOf(
    'Tightened to that stage; found to be so by the wrench; by its paint line turned already; by its paint line not turned yet; slackened, to be started afresh',
    ['tightened', 'checked', 'paintTurned', 'paintNotTurned', 'slackened'],
  ),
  newBolt: field.yesNo('A new one went in').optional(),
})

export const bolt: LedgerKind<'bolt'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'bolt', groupId: 'flywheel', boltId: 'b1', pass: 0, did: 'tightened' },
    { kind: 'bolt', groupId: 'flywheel', boltId: 'b1', pass: 1, did: 'slackened', newBolt: true },
  ],
}
