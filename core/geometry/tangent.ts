import { err, ok, type Result } from '../result'
import { SAME_PLACE_MM } from './tolerance'
import { distance, type Point } from './point'

/** A circle as a loop meets it: side +1 when it passes counter-clockwise round it, else -1. */
export interface PassedCircle {
  readonly centre: Point
  readonly radiusMm: number
  readonly side: 1 | -1
}

export interface Tangent {
  readonly from: Point
  readonly to: Point
  readonly lengthMm: number
  /** Unit vector of travel. */
  readonly along: Point
}

/** The straight run that leaves one circle and reaches the next, as a loop travels.
 *  Same sides: external tangent; opposite sides: crossed. With u the travel and n its left normal, n·(c2 - c1) must be
 *  side2·r2 - side1·r1. Error: circlesTooClose, with by how much. Source: elementary geometry of directed lines. */
export function tangentBetween(
  a: PassedCircle,
  b: PassedCircle,
): Result<Tangent, { readonly code: 'circlesTooClose'; readonly shortMm: number }> {
  const apart = distance(a.centre, b.centre)
  const offset = b.side * b.radiusMm - a.side * a.radiusMm
  if (apart - Math.abs(offset) < SAME_PLACE_MM)
    return err({ code: 'circlesTooClose', shortMm: Math.abs(offset) - apart })
  const e = { x: (b.centre.x - a.centre.x) / apart, y: (b.centre.y - a.centre.y) / apart }
  const sin = -offset / apart
  const cos = Math.sqrt(1 - sin * sin)
  const along = { x: cos * e.x - sin * e.y, y: cos * e.y + sin * e.x }
  const normal = { x: -along.y, y: along.x }
  const touch = ({ centre, radiusMm, side }: PassedCircle) => ({
    x: centre.x - side * radiusMm * normal.x,
    y: centre.y - side * radiusMm * normal.y,
  })
  return ok({ from: touch(a), to: touch(b), lengthMm: cos * apart, along })
}
