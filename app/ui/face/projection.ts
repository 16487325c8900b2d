import type { Point } from '@link-count/core/geometry'
import type { Side } from '@link-count/core/units'
import type { DriveScene } from '@link-count/core/scene'

/** Plane (mm, y up, from the timing side) to the screen (px, y down). The other side is a mirror, done here and nowhere else. */
export interface Projection {
  readonly x: (point: Point) => number
  readonly y: (point: Point) => number
  readonly scale: number
  /** +1 from the timing side, -1 from the other. */
  readonly mirror: 1 | -1
  /** Counter-clockwise plane degrees as a turn on the screen, for SVG's rotate. */
  readonly rotation: (planeDeg: number) => number
}

export interface Box {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

export function boxOf({
  toothed,
  loops,
}: {
  readonly toothed: readonly Pick<DriveScene['toothed'][number], 'centre' | 'radiusMm' | 'pitchMm'>[]
  readonly loops: DriveScene['loops']
}): Box {
  const reach = toothed.map(({ centre, radiusMm, pitchMm }) => ({ centre, r: radiusMm + pitchMm * 0.6 }))
  const ends = loops.flatMap(({ solved }) =>
    solved.path.pieces.flatMap((piece) => (piece.kind === 'run' ? [piece.from, piece.to] : [])),
  )
  const xs = [...reach.flatMap(({ centre, r }) => [centre.x - r, centre.x + r]), ...ends.map(({ x }) => x)]
  const ys = [...reach.flatMap(({ centre, r }) => [centre.y - r, centre.y + r]), ...ends.map(({ y }) => y)]
  return { left: Math.min(...xs), right: Math.max(...xs), bottom: Math.min(...ys), top: Math.max(...ys) }
}

/** How near somebody looks, and how far aside, px; `zoom` 1 is the whole drive. */
export interface Look {
  readonly zoom: number
  readonly x: number
  readonly y: number
}
export const WHOLE: Look = { zoom: 1, x: 0, y: 0 }
export const MOST_ZOOM = 12

/** Zooms about a place of the drawing, so that what is under the fingers stays there. */
export function zoomAt(look: Look, zoom: number, at: { readonly x: number; readonly y: number }): Look {
  const next = Math.min(MOST_ZOOM, Math.max(1, zoom))
  const share = next / look.zoom
  return next === 1 ? WHOLE : { zoom: next, x: at.x - (at.x - look.x) * share, y: at.y - (at.y - look.y) * share }
}

/** Fits a box into a drawing, with room at the sides for words, then looks at it as near as asked. */
export function makeProjection(
  box: Box,
  {
    width,
    height,
    side,
    margin,
    look = WHOLE,
  }: {
    width: number
    height: number
    side: Side
    margin: { left: number; right: number; y: number }
    look?: Look
  },
): Projection {
  const fitted = Math.max(
    0.01,
    Math.min(
      (width - margin.left - margin.right) / (box.right - box.left),
      (height - 2 * margin.y) / (box.top - box.bottom),
    ),
  )
  const mirror = side === 'timing' ? 1 : -1
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 }
  const scale = fitted * look.zoom
  const centre = {
    x: ((width + margin.left - margin.right) / 2) * look.zoom + look.x,
    y: (height / 2) * look.zoom + look.y,
  }
  return {
    scale,
    mirror,
    x: (point) => centre.x + mirror * (point.x - middle.x) * scale,
    y: (point) => centre.y - (point.y - middle.y) * scale,
    rotation: (planeDeg) => -mirror * planeDeg,
  }
}
