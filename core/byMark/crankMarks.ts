import { tdcOnOneTurn } from '../cylinders'
import { markPoseDeg } from '../drive'
import type { BuildSheet, Exact } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { wrapTo360 } from '../units'
import { markSigmaDeg } from './markExact'

/** A mark by which it can be seen where the crank stands. */
export interface CrankMark {
  readonly id: string
  readonly name: string
  /** What it is held against. */
  readonly meets: string
  readonly on: 'sprocket' | 'rim'
  /** Where the crank stands when it meets, degrees on one turn after TDC of the zero cylinder. */
  readonly placeDeg: number
  /** One sigma of that. */
  readonly sigmaDeg: number
  /** How exact it is; undefined = nobody was asked. */
  readonly exact: Exact | undefined
}

/** Every mark that says where the crank stands: those of its sprockets that meet for the timing, and those of its rims that claim a TDC or the timing
 *  position. A rim mark stands so far about the TDC of its cylinder as it claims; one without a claim at what it is cut for; one that a job found out of place is read where it was
 *  found. Spark, assembly and casting marks say nothing. */
export function crankMarksOf(sheet: BuildSheet): CrankMark[] {
  const parts = partsOf(sheet)
  const onSprockets = sheet.marks.flatMap((mark): CrankMark[] => {
    const member = parts.member(mark.memberId)
    if (mark.cutFor !== 'pose' || parts.shaft(member?.shaftId)?.kind !== 'crank') return []
    const { id, name, meets, exact } = mark
    const placeDeg = wrapTo360(markPoseDeg(sheet, mark))
    return [{ id, name, meets, on: 'sprocket', placeDeg, sigmaDeg: markSigmaDeg(exact, member?.teeth?.value), exact }]
  })
  const onRims = sheet.rimMarks.flatMap((mark): CrankMark[] => {
    if (mark.cutFor !== 'tdc' && mark.cutFor !== 'pose') return []
    const { id, name, where, exact, claimDeg, errorDeg } = mark
    const isPose = mark.cutFor === 'pose' && claimDeg === undefined
    const fromDeg = isPose ? sheet.referencePose.crankDeg.value : tdcOnOneTurn(sheet, mark.cylinderId)
    if (fromDeg === undefined) return []
    const placeDeg = wrapTo360(fromDeg + (claimDeg?.value ?? 0) + (errorDeg?.value ?? 0))
    // Found out of place by a proved zero, it is known where it stands.
    const sigmaDeg = markSigmaDeg(errorDeg ? { how: 'exact' } : exact, undefined)
    return [{ id, name, meets: where, on: 'rim', placeDeg, sigmaDeg, exact }]
  })
  return [...onSprockets, ...onRims]
}

/** The same by its id. */
export const crankMarkOf = (sheet: BuildSheet, markId: string | undefined): CrankMark | undefined =>
  crankMarksOf(sheet).find(({ id }) => id === markId)
