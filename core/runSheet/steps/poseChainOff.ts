import type { StepKindRecord } from './step'
import { atPose, each } from './targets'

export const poseChainOff: StepKindRecord = {
  targets: ({ loops }) => each(loops),
  needs: ['lashFound', 'zero', 'half', 'timingFound'],
  gives: ['loopOff'],
  crankAt: atPose,
  evidence: ({ state, targetIds: [loopId = ''] }) => {
    const loop = state.loops[loopId]
    return loop?.on === false ? (loop.offAt === 'unknown' ? 'read' : 'proved') : 'none'
  },
}
