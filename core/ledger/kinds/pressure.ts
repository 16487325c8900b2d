import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const pressureShape = entryShape('pressure', 'A pressure read in a cylinder', {
  cylinderId: field.id('The cylinder'),
  what: field.oneOf(
    'While it is cranked; the highest while it fires; the mean while it fires; or how much air leaks away',
    ['compression', 'peak', 'mean', 'leakDown'],
  ),
  bar: field.between('The pressure, bar', 0, 400).optional(),
  percent: field.between('Of the air, what leaks away, per cent', 0, 100).optional(),
  wet: field.yesNo('With a little oil in the cylinder').optional(),
  phase: field.phase,
})

export const pressure: LedgerKind<'pressure'> = {
  inJob: keep(({ cylinderId, what, phase, wet }) => `${phase} ${what} ${wet ?? false} ${cylinderId}`),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'pressure', cylinderId: 'cyl-1', what: 'compression', bar: 9.6, phase: 'found' },
    { kind: 'pressure', cylinderId: 'cyl-1', what: 'leakDown', percent: 12, phase: 'found' },
  ],
}
