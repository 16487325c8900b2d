import type { BuildSheet } from '@link-count/core/model'
import type { DriveScene, ToothedPart } from '@link-count/core/scene'
import type { Projection } from '../../../ui/face'

interface Drawn {
  readonly part: ToothedPart
  readonly scene: DriveScene
  readonly projection: Projection
  readonly sheet: Pick<BuildSheet, 'referencePose'>
}

/** The tooth or gap of a wheel that a place of the drawing points at, in half teeth from the centre of its gap 0, counter-clockwise from the timing side. */
export function halfTeethAt(
  { part, scene, projection, sheet }: Drawn,
  at: { readonly x: number; readonly y: number },
): number {
  const right = projection.mirror * (at.x - projection.x(part.centre))
  const up = projection.y(part.centre) - at.y
  const deg = (Math.atan2(up, right) * 180) / Math.PI
  const own = deg - scene.turnOf(part.memberId, sheet.referencePose.crankDeg.value)
  const round = 2 * part.teeth
  return ((Math.round((own * part.teeth) / 180) % round) + round) % round
}
