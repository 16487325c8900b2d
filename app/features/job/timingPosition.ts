import type { NewEntry } from '@link-count/core/model'
import { fixed, wrapToSigned180 } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { crankMarkAt, poseWords, wheelAt, type TurnTarget } from './turnPlan'

/** The timing position as a place to come to, how it is said that the crank stands there, and whether that was said and nothing turned since. Without a zero
 *  it is seen by the crank's own mark. `placeDeg`: where a camshaft or loop meets at a place of its own. */
export function timingPosition(
  view: JobView,
  stepId: string,
  placeDeg = view.sheet.referencePose.crankDeg.value,
): {
  readonly target: TurnTarget
  readonly arrived: { readonly words: string; readonly newEntry: Extract<NewEntry, { kind: 'stands' }> }
  readonly stood: boolean
} {
  const { sheet, state } = view
  const { crankDeg, cylinderId } = sheet.referencePose
  const { poseSeenDeg, rotation } = state.stand
  const wheelDeg = state.zero ? wheelAt(view, crankDeg.value) : undefined
  const isPose = placeDeg === crankDeg.value
  const mark = state.zero ? undefined : crankMarkAt(view, placeDeg)
  const words = isPose
    ? `the timing position: ${poseWords(view)}`
    : `${fixed(placeDeg, 1)}° of the crank, where its mark meets`
  const byMark = mark && ({ kind: 'stands', place: 'mark', cylinderId, markId: mark.id, offDeg: 0, stepId } as const)
  return {
    target: { deg: placeDeg, words },
    arrived: {
      words: mark
        ? `The ${mark.name.toLowerCase()} is at ${mark.meets.trim() || 'its pointer'}`
        : 'It stands at the timing position',
      newEntry: byMark ?? {
        kind: 'stands',
        place: 'pose',
        cylinderId,
        ...(wheelDeg === undefined ? {} : { wheelDeg }),
        stepId,
      },
    },
    stood: isPose
      ? poseSeenDeg !== undefined && Math.abs(rotation.totalDeg - poseSeenDeg) < 0.5
      : standsAt(view, placeDeg),
  }
}

/** Whether the crank is at a place by the ledger. */
const standsAt = ({ state }: JobView, placeDeg: number) => {
  const { reference, totalDeg } = state.stand.rotation
  return reference !== undefined && Math.abs(wrapToSigned180(reference.originDeg + totalDeg - placeDeg)) < 0.5
}
