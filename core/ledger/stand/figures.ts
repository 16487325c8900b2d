import { drivenWheel } from '../../byMark'
import { toothWorth, readDrive } from '../../drive'
import type { BuildSheet } from '../../model/buildSheet'
import { partsOf } from '../../sheet'

/** A usual trim where the build sheet has none (handbook 13, common practice, no source). */
export const USUAL_TRIM_DEG = 4
/** However coarse its teeth, a camshaft that reads further out than this is a trim only. Ours. */
export const MOST_SAFE_OUT_DEG = 20
/** Where nobody counted the teeth that a camshaft is driven by. Ours. */
const SAFE_OUT_WITHOUT_TEETH_DEG = 10

/** How far the crank may be trimmed where a loop or coupling is undone, each way, degrees. */
export const trimOf = (sheet: BuildSheet) => sheet.trimDeg?.value ?? USUAL_TRIM_DEG

/** How far out a camshaft may read and the crank still be turned, crank degrees: the sheet's figure, else one tooth of the sprocket or gear that
 *  drives it, and never more than 20° (ours). */
export function safeOutOf(
  sheet: BuildSheet,
  shaftId: string,
): { readonly deg: number; readonly from: 'sheet' | 'tooth' | 'usual' } {
  if (sheet.safeOutDeg) return { deg: sheet.safeOutDeg.value, from: 'sheet' }
  const toothDeg = toothOnWay(sheet, shaftId)
  if (toothDeg === undefined) return { deg: SAFE_OUT_WITHOUT_TEETH_DEG, from: 'usual' }
  return toothDeg <= MOST_SAFE_OUT_DEG ? { deg: toothDeg, from: 'tooth' } : { deg: MOST_SAFE_OUT_DEG, from: 'usual' }
}

/** What a tooth of the last sprocket, pulley or gear on a camshaft's way is worth, crank degrees; undefined where nobody counted it. */
export function toothOnWay(sheet: BuildSheet, shaftId: string): number | undefined {
  const shaft = partsOf(sheet).shaft(shaftId)
  const link = readDrive(sheet)
    .holdsBy(shaftId)
    ?.findLast(({ memberId }) => memberId !== undefined)
  const teeth = partsOf(sheet).member(link?.memberId)?.teeth?.value
  return shaft && teeth ? toothWorth(teeth, readDrive(sheet).ratioOf(shaft)).crankDeg : undefined
}

/** The same; of a camshaft whose way nobody told, of the only wheel on it. */
export function toothOf(sheet: BuildSheet, shaftId: string): number | undefined {
  const onWay = toothOnWay(sheet, shaftId)
  const shaft = partsOf(sheet).shaft(shaftId)
  if (onWay !== undefined || !shaft || readDrive(sheet).holdsBy(shaftId)) return onWay
  const teeth = drivenWheel(sheet, shaftId)?.teeth?.value
  return teeth && toothWorth(teeth, readDrive(sheet).ratioOf(shaft)).crankDeg
}
