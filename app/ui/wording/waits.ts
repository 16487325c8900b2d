import type { WaitStands } from '@link-count/core/waits'
import type { EntryOf } from '@link-count/core/model'

type Holds = EntryOf<'wait'>['holds']

/** What must not be done before a wait is over. */
export const waitHoldsWords: Readonly<Record<Holds, string>> = {
  crankcase: 'do not open the crankcase',
  couplingPlugs: 'do not put the coupling’s plugs back',
  other: 'do not open it',
}

/** What its clock runs from. */
export const waitFromWords: Readonly<Record<Holds, string>> = {
  crankcase: 'The engine stopped at',
  couplingPlugs: 'Its pressure was let go at',
  other: 'It began at',
}

export const waitEndsWords: Readonly<Record<EntryOf<'waitEnds'>['by'], string>> = {
  clocks: 'by the clocks of this device',
  watch: 'by a watch',
  rule: 'by the maker’s rule',
  passedOver: 'passed over',
}

export const waitNotKnownWords: Readonly<Record<Extract<WaitStands, { is: 'notKnown' }>['why'], string>> = {
  clockJumped: 'The clock of this device was changed, or it slept: how long it has been is not known.',
  beforeLastLine: 'The clock of this device stands before the last line of the ledger: it cannot be believed.',
  stillToCome: 'By the clock of this device that time has still to come.',
}
