import { bisect, makeSliderCrank, type SliderCrankSize } from '../kinematics'

/** How far after true TDC the middle of two stop contacts lies because the pin is offset, crank degrees, + = after.
 *  0 without offset; undefined when the sizes cannot be an engine or the span cannot be reached.
 *  The drop is found at which the two contacts stand the read span apart. Source: handbook 3, slider-crank. */
export function pinOffsetShift(size: SliderCrankSize, halfSpanDeg: number): number | undefined {
  if (size.pinOffsetMm === 0) return 0
  const crank = makeSliderCrank(size)
  if (!crank.ok) return undefined
  const { degAtDrop } = crank.value
  const contacts = (dropMm: number) => {
    const before = degAtDrop(dropMm, 'before')
    const after = degAtDrop(dropMm, 'after')
    return before === undefined || after === undefined ? undefined : { before, after }
  }
  const spanAt = (dropMm: number) => {
    const pair = contacts(dropMm)
    return pair ? pair.after - pair.before : 360
  }
  const dropMm = bisect((drop) => spanAt(drop) - 2 * halfSpanDeg, 0, size.strokeMm)
  const pair = contacts(dropMm)
  return pair && (pair.before + pair.after) / 2
}
