import { err, ok, type Result } from '../result'
import { SAME_PLACE_MM } from './tolerance'
import { distance, type Point } from './point'

export interface MeasuredDistance {
  readonly from: Point
  readonly distanceMm: number
}

export interface PlacedByDistances {
  readonly point: Point
  /** The same two distances, on the other side of the line between the known points. */
  readonly mirror: Point
  /** Worst of what is left of each distance, measured less fitted, mm; 0 with two distances. */
  readonly misfitMm: number
  readonly leftMm: readonly number[]
}

export type PlaceError =
  | { readonly code: 'tooFewDistances' }
  | { readonly code: 'sameOrigin' }
  /** The distances do not reach each other: by how much they fall short, or one swallows the other. */
  | { readonly code: 'doNotMeet'; readonly gapMm: number }

/** A point from its distances to known ones: two place it but for its mirror image, more are fitted by least squares and the misfit is
 *  said. `towards` chooses the mirror: the solution nearer to it. Source: intersection of two circles; Gauss-Newton from there. */
export function placeByDistances(
  measured: readonly MeasuredDistance[],
  towards: Point,
): Result<PlacedByDistances, PlaceError> {
  const [a, b] = measured
  if (!a || !b) return err({ code: 'tooFewDistances' })
  const apart = distance(a.from, b.from)
  if (apart < SAME_PLACE_MM) return err({ code: 'sameOrigin' })
  const along = (apart * apart + a.distanceMm ** 2 - b.distanceMm ** 2) / (2 * apart)
  const square = a.distanceMm ** 2 - along * along
  const gapMm = Math.max(apart - a.distanceMm - b.distanceMm, Math.abs(a.distanceMm - b.distanceMm) - apart)
  if (gapMm > SAME_PLACE_MM && measured.length === 2) return err({ code: 'doNotMeet', gapMm })
  const across = Math.sqrt(Math.max(0, square))
  const e = { x: (b.from.x - a.from.x) / apart, y: (b.from.y - a.from.y) / apart }
  const at = (sign: 1 | -1): Point => ({
    x: a.from.x + along * e.x - sign * across * e.y,
    y: a.from.y + along * e.y + sign * across * e.x,
  })
  const sides = [at(1), at(-1)].map((start) => (measured.length === 2 ? start : fit(measured, start)))
  // With three or more the wrong side fits worse; with two the one asked for is taken.
  const [left, right] = sides as [Point, Point]
  const rank = (point: Point) => (measured.length === 2 ? distance(point, towards) : worst(measured, point))
  const [point, mirror] = rank(left) <= rank(right) ? [left, right] : [right, left]
  const leftMm = measured.map((one) => one.distanceMm - distance(one.from, point))
  return ok({ point, mirror, misfitMm: measured.length === 2 ? 0 : worst(measured, point), leftMm })
}

const worst = (measured: readonly MeasuredDistance[], point: Point) =>
  Math.max(...measured.map((one) => Math.abs(one.distanceMm - distance(one.from, point))))

function fit(measured: readonly MeasuredDistance[], start: Point): Point {
  let point = start
  for (let i = 0; i < 30; i++) {
    let [xx, xy, yy, xr, yr] = [0, 0, 0, 0, 0]
    for (const { from, distanceMm } of measured) {
      const now = Math.max(distance(from, point), SAME_PLACE_MM)
      const [ux, uy, left] = [(point.x - from.x) / now, (point.y - from.y) / now, distanceMm - now]
      xx += ux * ux
      xy += ux * uy
      yy += uy * uy
      xr += ux * left
      yr += uy * left
    }
    const determinant = xx * yy - xy * xy
    if (Math.abs(determinant) < 1e-12) return point
    const step = { x: (yy * xr - xy * yr) / determinant, y: (xx * yr - xy * xr) / determinant }
    point = { x: point.x + step.x, y: point.y + step.y }
    if (Math.hypot(step.x, step.y) < 1e-10) break
  }
  return point
}
