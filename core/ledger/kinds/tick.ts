import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { onlyOfJob, type LedgerKind } from './kind'

export const tickShape = entryShape('tick', 'A caution ticked, or its tick taken off', {
  cautionId: field.id('Which caution'),
  ticked: field.yesNo('Ticked, or the tick taken off'),
})

export const tick: LedgerKind<'tick'> = {
  inJob: ({ ticked }, entry) => {
    if (entry.ticked) ticked.add(entry.cautionId)
    else ticked.delete(entry.cautionId)
  },
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'tick', cautionId: 'fuelOff', ticked: true }],
}
