import { makeSliderCrank, type SliderCrankError, type SliderCrankSize } from '../kinematics'
import { ok, type Result } from '../result'

export interface PistonRow {
  readonly deg: number
  readonly beforeMm: number
  readonly afterMm: number
}

/** Piston below its top at every so many degrees before and after TDC, up to `mostDeg`; with an offset pin the two differ.
 *  Errors: sizes that cannot be an engine. Source: slider-crank, handbook 2. */
export function pistonTable(
  size: SliderCrankSize,
  { stepDeg, mostDeg }: { readonly stepDeg: number; readonly mostDeg: number },
): Result<readonly PistonRow[], SliderCrankError> {
  const crank = makeSliderCrank(size)
  if (!crank.ok) return crank
  const rows = Array.from({ length: Math.floor(mostDeg / stepDeg) + 1 }, (_, i): PistonRow => {
    const deg = i * stepDeg
    return { deg, beforeMm: crank.value.dropMm(-deg), afterMm: crank.value.dropMm(deg) }
  })
  return ok(rows)
}
