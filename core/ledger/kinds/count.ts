import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeCount } from '../stand/links'
import type { LedgerKind } from './kind'

const teethOn = (end: 'from' | 'to') =>
  field.whole(
    `Counted ${end} the tooth or gap that stands so many on from the mark, + = along the loop’s travel; nothing or 0: ${end} the mark itself`,
    -200,
    200,
  )

export const countShape = entryShape('count', 'Links, pins or teeth counted between two marks', {
  loopId: field.id('The chain or belt'),
  fromMarkId: field.id('The mark it was counted from, with the travel of the loop'),
  toMarkId: field.id('The mark it was counted to'),
  run: field.oneOf('Whether the run between is pulled', ['tight', 'slack']),
  rule: field.countRule,
  counted: field.whole('Links, pins or teeth counted by that rule', 0, 2000),
  fromTeeth: teethOn('from').optional(),
  toTeeth: teethOn('to').optional(),
  phase: field.phase,
})

export type CountRule = field.ValueOf<typeof field.countRule>

export const count: LedgerKind<'count'> = {
  inJob: (soFar, entry, sheet) => {
    if (sheet.loops.some(({ id }) => id === entry.loopId)) soFar.counts.push(entry)
  },
  onEngine: takeCount,
  leansOnWheel: false,
  samples: [
    {
      kind: 'count',
      loopId: 'chain',
      fromMarkId: 'cam-mark',
      toMarkId: 'crank-mark',
      run: 'tight',
      rule: 'lastOnly',
      counted: 29,
      phase: 'set',
    },
  ],
}
