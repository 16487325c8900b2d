import { err, ok, type Result } from '../result'
import { degFromRad, wrapTo360 } from '../units'
import { distance, type Point } from './point'

export interface ArcEnds {
  readonly from: Point
  readonly to: Point
  /** Of the arc; or how far its middle stands out from the line between its ends; or both, which then have to agree. */
  readonly radiusMm?: number | undefined
  readonly heightMm?: number | undefined
  /** To which side of the line from the first end to the second it bulges. */
  readonly bulges: 'left' | 'right'
}

export interface Arc {
  readonly centre: Point
  readonly radiusMm: number
  /** Its ends about its centre, counter-clockwise from the first to the second. */
  readonly fromDeg: number
  readonly toDeg: number
}

export type ArcError =
  | { readonly code: 'sizeMissing' }
  /** An arc between these ends has at least this radius. */
  | { readonly code: 'radiusTooSmall'; readonly leastMm: number }
  /** The height says another radius than was typed. */
  | { readonly code: 'disagree'; readonly radiusByHeightMm: number }
  | { readonly code: 'endsCoincide' }

/** Radius and height are read to so much; more apart is a slip of the hand. Common practice, no source. */
const AGREE_SHARE = 0.02

/** The arc between two ends, from its radius or its height: r = c²/8h + h/2, with c the chord and h the height. Source: the circle through three points. */
export function arcFromEnds({ from, to, radiusMm, heightMm, bulges }: ArcEnds): Result<Arc, ArcError> {
  const chord = distance(from, to)
  if (chord < 1e-6) return err({ code: 'endsCoincide' })
  const byHeight = heightMm ? chord ** 2 / (8 * heightMm) + heightMm / 2 : undefined
  const radius = radiusMm ?? byHeight
  if (radius === undefined) return err({ code: 'sizeMissing' })
  if (radius < chord / 2 - 1e-9) return err({ code: 'radiusTooSmall', leastMm: chord / 2 })
  if (byHeight !== undefined && Math.abs(byHeight - radius) > AGREE_SHARE * radius)
    return err({ code: 'disagree', radiusByHeightMm: byHeight })
  const along = { x: (to.x - from.x) / chord, y: (to.y - from.y) / chord }
  const out = bulges === 'left' ? { x: -along.y, y: along.x } : { x: along.y, y: -along.x }
  // A height of more than the radius is an arc of more than half a turn: its centre lies on the bulge's side.
  const inMm = Math.sqrt(Math.max(0, radius ** 2 - chord ** 2 / 4)) * ((heightMm ?? 0) > radius ? -1 : 1)
  const centre = { x: (from.x + to.x) / 2 - inMm * out.x, y: (from.y + to.y) / 2 - inMm * out.y }
  const about = (point: Point) => wrapTo360(degFromRad(Math.atan2(point.y - centre.y, point.x - centre.x)))
  // Counter-clockwise round its centre the bulge lies to the right of the line.
  const [first, second] = bulges === 'right' ? [from, to] : [to, from]
  return ok({ centre, radiusMm: radius, fromDeg: about(first), toDeg: about(second) })
}
