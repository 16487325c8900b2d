import { placeOfLink } from '../../drive'
import { allOf, isLinkProved, proofOfLoop, verdictOfCount } from '../../ledger'
import { partsOf } from '../../sheet'
import type { StepKindRecord } from './step'
import { atPlace, each } from './targets'

export const chainOnCount: StepKindRecord = {
  targets: ({ loops }) => each(loops),
  needs: ['loopOff', 'camSet'],
  gives: ['loopOn'],
  workedAt: (sheet, [loopId = '']) => placeOfLink(sheet, loopId),
  crankAt: (sheet, [loopId = '']) => atPlace(sheet, placeOfLink(sheet, loopId)),
  phase: 'set',
  loops: ({ loops }, [loopId]) => loops.filter(({ id }) => id === loopId),
  evidence: ({ sheet, state, targetIds: [loopId = ''] }) => {
    const loop = partsOf(sheet).loop(loopId)
    const lies = state.loops[loopId]
    if (!lies?.on || !loop) return 'none'
    // Proved by whatever witness: a count, a mark, a reading of its camshafts.
    if (lies.proof !== 'asArrived' && isLinkProved({ ...state.stand, sheet }, 'loop', loopId)) return 'read'
    const counts = state.counts.filter((one) => one.loopId === loopId && one.phase === 'set')
    if (counts.length === 0) return lies.proof === 'asArrived' ? 'none' : 'part'
    const proof = proofOfLoop(sheet, loop, state.counts, state.seats)
    if (proof === 'countedOut') return allOf(state, 'deviation').length > 0 ? 'read' : 'part'
    // Without an expected count there is nothing to judge it by; it is written down all the same.
    return proof === 'counted' || !counts.some((count) => verdictOfCount(sheet, count, state.seats)) ? 'read' : 'part'
  },
}
