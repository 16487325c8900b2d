import type { BuildSheet, Cylinder } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { planeSign, wrapTo360 } from '../units'

/** TDC of a cylinder after that of the zero cylinder, on one turn of the crank, [0, 360): which of the turns of a cycle it fires on
 *  stays open. (Difference of cylinder axes) less (difference of crankpins), both in the running direction, plus the typed shift of an
 *  articulated rod. Undefined while an axis, a crankpin or, where axes differ, the running direction is not known.
 *  Source: handbook 5, plain kinematics. */
export function tdcResidue(sheet: BuildSheet, cylinder: Cylinder): number | undefined {
  if (cylinder.id === sheet.zeroCylinderId) return 0
  const zero = partsOf(sheet).cylinder(sheet.zeroCylinderId)
  if (!zero || cylinder.crankpinDeg === undefined) return undefined
  const axes = [axisDeg(sheet, cylinder), axisDeg(sheet, zero)] as const
  if (axes[0] === undefined || axes[1] === undefined) return undefined
  const apart = axes[0] - axes[1]
  if (apart !== 0 && !sheet.running) return undefined
  const alongRunning = planeSign(sheet.running?.value ?? 'anticlockwise') * apart
  const pins = cylinder.crankpinDeg.value - (zero.crankpinDeg?.value ?? 0)
  const shift = (cylinder.tdcShiftDeg?.value ?? 0) - (zero.tdcShiftDeg?.value ?? 0)
  const residue = wrapTo360(alongRunning - pins + shift)
  return 360 - residue < 1e-9 ? 0 : residue
}

/** Direction of a cylinder's axis in the plane: its own where it has one (a radial), else its bank's. */
export const axisDeg = (sheet: BuildSheet, { bankId, axisDeg: own }: Cylinder): number | undefined =>
  own?.value ?? sheet.banks.find(({ id }) => id === bankId)?.axisDeg?.value
