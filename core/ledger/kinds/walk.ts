import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const walkShape = entryShape('walk', 'A stop of the cycle walk: what was to be seen, and whether it was', {
  crankDeg: field.onCycle('Where the crank stands'),
  cylinderId: field.id('The cylinder looked at'),
  what: field.oneOf('What was looked at', ['piston', 'inlet', 'exhaust', 'mark']),
  saw: field
    .oneOf('Whether it was as it should be; missing where what was seen is written itself', ['asExpected', 'otherwise'])
    .optional(),
  piston: field.oneOf('Where the piston was seen', ['top', 'bottom', 'goingDown', 'goingUp']).optional(),
  valve: field.oneOf('How the valve was seen', ['shut', 'open']).optional(),
  lobeHour: field.upTo('Where the lobe points, hours of a clock face seen from the timing side', 0, 12).optional(),
})

export const walk: LedgerKind<'walk'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    { kind: 'walk', crankDeg: 180, cylinderId: 'cyl-1', what: 'inlet', saw: 'otherwise' },
    { kind: 'walk', crankDeg: 180, cylinderId: 'cyl-1', what: 'inlet', valve: 'shut', lobeHour: 4.5 },
    { kind: 'walk', crankDeg: 180, cylinderId: 'cyl-1', what: 'piston', piston: 'bottom' },
  ],
}
