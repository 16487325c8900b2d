import { inSentence } from '../../ui/wording'
import { placeOfLink, placeOfShaft, readDrive } from '@link-count/core/drive'
import { seenAtPlace } from '@link-count/core/ledger'
import type { NewEntry } from '@link-count/core/model'
import type { JobView } from '../../domain/views'
import { crankMarkAt, placeWords, wheelAt, type TurnTarget } from './turnPlan'

/** What is set at a place of its own, or at the timing position: a camshaft, a chain or belt. */
type Of = { readonly shaftId: string } | { readonly loopId: string }

/** The timing position, or the place of its own of a camshaft or loop, as a place to come to; how it is said that the crank stands there, and whether that was
 *  said and nothing turned since. Without a zero it is seen by the crank's own mark. */
export function timingPosition(
  view: JobView,
  stepId: string,
  of?: Of,
): {
  readonly target: TurnTarget
  readonly arrived: { readonly words: string; readonly newEntry: Extract<NewEntry, { kind: 'stands' }> }
  readonly stood: boolean
} {
  const { sheet, state } = view
  const { crankDeg, cylinderId } = sheet.referencePose
  const shaftId = of && ('shaftId' in of ? of.shaftId : readDrive(sheet).behind(of.loopId)[0])
  const placeDeg = !of
    ? crankDeg.value
    : 'shaftId' in of
      ? placeOfShaft(sheet, of.shaftId)
      : placeOfLink(sheet, of.loopId)
  const wheelDeg = state.zero ? wheelAt(view, placeDeg) : undefined
  const isPose = placeDeg === crankDeg.value
  const mark = state.zero ? undefined : crankMarkAt(view, placeDeg)
  const byMark = mark && ({ kind: 'stands', place: 'mark', cylinderId, markId: mark.id, offDeg: 0, stepId } as const)
  const seenDeg = seenAtPlace({ ...state.stand, sheet }, placeDeg)
  return {
    target: {
      deg: placeDeg,
      words: isPose ? `the timing position: ${placeWords(view, placeDeg)}` : placeWords(view, placeDeg),
    },
    arrived: {
      words: mark
        ? `The ${inSentence(mark.name)} is at ${mark.meets.trim() || 'its pointer'}`
        : isPose
          ? 'It stands at the timing position'
          : 'It stands there',
      newEntry: byMark ?? {
        kind: 'stands',
        place: 'pose',
        cylinderId,
        ...(isPose || shaftId === undefined ? {} : { shaftId }),
        ...(wheelDeg === undefined ? {} : { wheelDeg }),
        stepId,
      },
    },
    stood: seenDeg !== undefined && Math.abs(state.stand.rotation.totalDeg - seenDeg) < 0.5,
  }
}
