import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const smallPartsShape = entryShape('smallParts', 'Small parts counted, as they came out or as they went in', {
  what: field.words('What they are: washers, clips, shims, collets'),
  where: field.words('Where they belong'),
  change: field.oneOf('Came out, or fitted', ['out', 'fitted']),
  n: field.whole('How many', 1, 1000),
})

export const smallParts: LedgerKind<'smallParts'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'smallParts', what: 'copper washers', where: 'injector 1', change: 'fitted', n: 2 }],
}
