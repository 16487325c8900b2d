import type { NewEntry } from '@link-count/core/model'
import type { JobView } from '../../domain/views'
import { poseWords, wheelAt, type TurnTarget } from './turnPlan'

/** The timing position as a place to come to, how it is said that the crank stands there, and whether that was said and nothing turned since. */
export function timingPosition(
  view: JobView,
  stepId: string,
): {
  readonly target: TurnTarget
  readonly arrived: { readonly words: string; readonly newEntry: Extract<NewEntry, { kind: 'stands' }> }
  readonly stood: boolean
} {
  const { sheet, state } = view
  const { crankDeg, cylinderId } = sheet.referencePose
  const { poseSeenDeg, rotation } = state.stand
  const wheelDeg = state.zero ? wheelAt(view, crankDeg.value) : undefined
  return {
    target: { deg: crankDeg.value, words: `the timing position: ${poseWords(view)}` },
    arrived: {
      words: 'It stands at the timing position',
      newEntry: {
        kind: 'stands',
        place: 'pose',
        cylinderId,
        ...(wheelDeg === undefined ? {} : { wheelDeg }),
        stepId,
      },
    },
    stood: poseSeenDeg !== undefined && Math.abs(rotation.totalDeg - poseSeenDeg) < 0.5,
  }
}
