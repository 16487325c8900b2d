import type { Point } from '@link-count/core/geometry'
import { planeSign, wrapToCycle, wrapToSigned180 } from '@link-count/core/units'
import type { Projection } from '../../../ui/face'
import type { JobView } from '../../../domain/views'
import type { DrawnCrank } from '../../../store'

/** A place on the drawing, px from its upper left corner. */
type Place = readonly [x: number, y: number]

/** Turns the drawn crank while a pointer goes round the crank's axis, from where it was put down. The engine's crank is not touched by this. */
export function turnFrom(
  start: Place,
  { projection, centre, view, drawn }: { projection: Projection; centre: Point; view: JobView; drawn: DrawnCrank },
): (now: Place) => void {
  const angleAt = ([x, y]: Place) =>
    (Math.atan2(projection.y(centre) - y, projection.mirror * (x - projection.x(centre))) * 180) / Math.PI
  let last = angleAt(start)
  const sign = planeSign(view.sheet.running?.value ?? 'clockwise')
  return (place) => {
    const now = angleAt(place)
    const turned = wrapToSigned180(now - last) * sign
    last = now
    drawn.set(wrapToCycle(drawn.get() + turned, view.sheet.cycleDeg))
  }
}
