import { allOf } from '../../ledger'
import type { StepKindRecord } from './step'
import { each } from './targets'

/** A camshaft let round on its coupling while the drive stays as it is: apart and together again some places on, or slipped under pressure. */
export const recouple: StepKindRecord = {
  targets: ({ couplings, adjusters }) =>
    each([
      ...couplings.filter(({ kind }) => kind !== 'gearMesh'),
      ...adjusters.filter(({ kind }) => kind === 'couplingSlip'),
    ]),
  needs: ['zero', 'half', 'timingFound'],
  gives: ['camSet'],
  phase: 'set',
  evidence: ({ state, targetIds: [couplingId = ''] }) => {
    const is = state.couplings[couplingId]
    if (!is) return allOf(state, 'adjusted').some(({ adjusterId }) => adjusterId === couplingId) ? 'read' : 'none'
    if (!is.together) return 'part'
    return is.proof === 'read' ? 'read' : is.proof === 'notRead' ? 'part' : 'none'
  },
}
