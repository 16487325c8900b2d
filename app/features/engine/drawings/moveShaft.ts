import { pointOf, shaftPoint } from '@link-count/core/drive'
import { directionDeg, type Point } from '@link-count/core/geometry'
import type { BuildSheet, Shaft, Trusted } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, upFromPlane } from '@link-count/core/units'
import { patchShaft, type SheetChange } from '../sheetChanges'

/** What an arrow key moves a shaft by. */
export const STEP_MM: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

const byEye = (value: number, unit: string): Trusted<number> => ({
  value: Math.round(value * 10) / 10,
  typed: `${fixed(value, 1)}${unit}`,
  trust: 'unknown',
})

/** A shaft put to where somebody drew it, by eye. A distance that was measured holds: then only its direction changes. */
export const moveShaft =
  (shaftId: string, to: Point): SheetChange =>
  (sheet) =>
    patchShaft(shaftId, (shaft) => ({ ...shaft, position: positionAt(sheet, shaft, to) }))(sheet)

function positionAt(sheet: BuildSheet, { position }: Shaft, to: Point): Shaft['position'] {
  const from = position?.how === 'polar' ? partsOf(sheet).shaft(position.fromShaftId) : undefined
  const centre = from && shaftPoint(sheet, from)
  if (position?.how === 'polar' && position.distanceMm && centre) {
    const deg = directionDeg({ x: to.x - centre.x, y: to.y - centre.y })
    return { ...position, directionDeg: { ...byEye(deg, ''), typed: fixed(upFromPlane(deg), 1) } }
  }
  return { how: 'xy', xMm: byEye(to.x, ' mm'), yMm: byEye(to.y, ' mm') }
}

/** Where a shaft would go: on the circle of its measured distance, or under the finger. */
export function heldAt(sheet: BuildSheet, shaftId: string, to: Point): Point {
  const shaft = partsOf(sheet).shaft(shaftId)
  const position = shaft && positionAt(sheet, shaft, to)
  return (position && pointOf(sheet, position)) ?? to
}
