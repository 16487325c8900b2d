import type { StepKindRecord } from './step'
import { each } from './targets'

/** A camshaft let round on its coupling while the drive stays as it is: apart, together again some places on, and read. */
export const recouple: StepKindRecord = {
  targets: ({ couplings }) => each(couplings.filter(({ kind }) => kind !== 'gearMesh')),
  needs: ['zero', 'half', 'timingFound'],
  gives: ['camSet'],
  phase: 'set',
  evidence: ({ state, targetIds: [couplingId = ''] }) => {
    const is = state.couplings[couplingId]
    if (!is) return 'none'
    if (!is.together) return 'part'
    return is.proof === 'read' ? 'read' : is.proof === 'notRead' ? 'part' : 'none'
  },
}
