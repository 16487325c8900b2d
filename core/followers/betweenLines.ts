import { firingDegOf } from '../cylinders'
import type { BuildSheet, RimMark } from '../model/buildSheet'
import { wrapToSigned } from '../units'

/** A place of the crank told from lines on a rim. */
export interface BetweenLines {
  readonly from: RimMark
  /** Degrees of the crank past that line, the running way. */
  readonly pastDeg: number
  readonly pastMm: number | undefined
  /** The line that comes after it, and how far of the way to that it is. */
  readonly to: RimMark | undefined
  readonly fraction: number | undefined
}

/** What the eye makes of a place between two lines, two sigma, crank degrees. Source: handbook 19, at best. */
export const BETWEEN_BY_EYE_DEG = 1

/** Where to stop for so many degrees before a cylinder's TDC, told from the last line that comes before it: how far past it in degrees, along the rim, and as a part of the way to
 *  the next. Lines count by what they claim, less what a job found them out by. Undefined without a line within half a turn before it. Source: handbook 14 and 19. */
export function betweenLines(sheet: BuildSheet, beforeDeg: number, cylinderId: string): BetweenLines | undefined {
  const fires = firingDegOf(sheet, cylinderId)
  if (fires === undefined) return undefined
  const placed = sheet.rimMarks
    .filter(({ cutFor }) => cutFor !== 'casting' && cutFor !== 'assembly' && cutFor !== 'unknown')
    .flatMap((mark) => {
      const own = firingDegOf(sheet, mark.cylinderId)
      if (own === undefined || (mark.claimDeg === undefined && mark.cutFor !== 'tdc')) return []
      const at = own + (mark.claimDeg?.value ?? 0) + (mark.errorDeg?.value ?? 0)
      return [{ mark, pastDeg: wrapToSigned(fires - beforeDeg - at, 360) }]
    })
  const behind = placed.filter(({ pastDeg }) => pastDeg > -SAME_DEG).toSorted((a, b) => a.pastDeg - b.pastDeg)
  const ahead = placed.filter(({ pastDeg }) => pastDeg < -SAME_DEG).toSorted((a, b) => b.pastDeg - a.pastDeg)
  const [from] = behind
  const [to] = ahead
  if (!from) return undefined
  const pastDeg = Math.max(0, from.pastDeg)
  const apart = to && pastDeg - to.pastDeg
  return {
    from: from.mark,
    pastDeg,
    pastMm: sheet.rimMm && (sheet.rimMm.value * pastDeg) / 360,
    to: to?.mark,
    fraction: apart && apart <= MOST_APART_DEG ? pastDeg / apart : undefined,
  }
}

const SAME_DEG = 1e-6
/** Two lines further apart than this are no pair to judge between. Ours. */
const MOST_APART_DEG = 45
