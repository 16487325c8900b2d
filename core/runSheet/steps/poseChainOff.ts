import { placeOfLink } from '../../drive'
import type { StepKindRecord } from './step'
import { atPlace, each } from './targets'

export const poseChainOff: StepKindRecord = {
  targets: ({ loops }) => each(loops),
  needs: ['lashFound', 'zero', 'half', 'timingFound', 'worn', 'painted'],
  gives: ['loopOff'],
  workedAt: (sheet, [loopId = '']) => placeOfLink(sheet, loopId),
  crankAt: (sheet, [loopId = '']) => atPlace(sheet, placeOfLink(sheet, loopId)),
  evidence: ({ state, targetIds: [loopId = ''] }) => {
    const loop = state.loops[loopId]
    return loop?.on === false ? (loop.offAt === 'unknown' ? 'read' : 'proved') : 'none'
  },
}
