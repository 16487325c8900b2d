import type { PointerEvent as ReactPointerEvent } from 'react'
import type { Point } from '@link-count/core/geometry'
import { planeSign, wrapToCycle, wrapToSigned180 } from '@link-count/core/units'
import type { Projection } from '../../../ui/face'
import type { JobView } from '../../../domain/views'
import type { DrawnCrank } from '../../../store'

/** Turns the drawn crank while a pointer goes round the crank's axis. The engine's crank is not touched by this. */
export function startTurning(
  event: ReactPointerEvent<HTMLElement>,
  {
    projection,
    centre,
    view,
    drawn,
  }: { projection: Projection; centre: Point | undefined; view: JobView; drawn: DrawnCrank },
): void {
  if (!centre || event.button !== 0) return
  const element = event.currentTarget
  const box = element.getBoundingClientRect()
  const angleAt = (x: number, y: number) =>
    (Math.atan2(projection.y(centre) - (y - box.top), projection.mirror * (x - box.left - projection.x(centre))) *
      180) /
    Math.PI
  let last = angleAt(event.clientX, event.clientY)
  const sign = planeSign(view.sheet.running?.value ?? 'clockwise')
  element.setPointerCapture(event.pointerId)
  const move = (next: PointerEvent) => {
    const now = angleAt(next.clientX, next.clientY)
    const turned = wrapToSigned180(now - last) * sign
    last = now
    drawn.set(wrapToCycle(drawn.get() + turned, view.sheet.cycleDeg))
  }
  const stop = () => {
    element.removeEventListener('pointermove', move)
    element.removeEventListener('pointerup', stop)
    element.removeEventListener('pointercancel', stop)
  }
  element.addEventListener('pointermove', move)
  element.addEventListener('pointerup', stop)
  element.addEventListener('pointercancel', stop)
}
