import { registerItems } from '../../ledger'
import type { StepKindRecord } from './step'

export const trueTdc: StepKindRecord = {
  targets: ({ zeroCylinderId }) => [[zeroCylinderId]],
  needs: ['madeSafe'],
  gives: ['zero'],
  evidence: ({ state }) => {
    const inCylinder = state.register.some(({ item }) => registerItems[item].inCylinder)
    // By a mark alone it is read and never proved; a wheel that was fitted is to be read on.
    if (!state.zero && !inCylinder && !state.degreeWheel && state.crank.byMark) return 'read'
    if (!state.zero) return inCylinder || state.degreeWheel ? 'part' : 'none'
    if (inCylinder || state.zeros.life === 'inDoubt' || state.zeros.life === 'slipped') return 'part'
    return state.zero.proved ? 'proved' : 'read'
  },
}
