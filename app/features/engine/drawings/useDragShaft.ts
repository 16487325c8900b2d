import { useDrag } from '@use-gesture/react'
import type { Point } from '@link-count/core/geometry'
import type { Projection } from '../../../ui/face'
import { useSheetEditor } from '../SheetEditor'
import { heldAt } from './moveShaft'

/** Under this a finger only touched, px. */
const SLACK_PX = 6

/** A shaft follows the finger as a ring; it is written once, when it is let go. */
export function useDragShaft(
  projection: Projection,
  setHeld: (held: { readonly shaftId: string; readonly at: Point } | undefined) => void,
  put: (shaftId: string, at: Point) => void,
) {
  const { sheet } = useSheetEditor()
  return useDrag(
    ({ args: [shaftId, from], movement: [right, down], last, canceled, tap }) => {
      if (canceled || tap) return setHeld(undefined)
      const { x, y } = from as Point
      const to = { x: x + (projection.mirror * right) / projection.scale, y: y - down / projection.scale }
      const at = heldAt(sheet, shaftId as string, to)
      if (!last) return setHeld({ shaftId: shaftId as string, at })
      setHeld(undefined)
      if (Math.hypot(right, down) > SLACK_PX) put(shaftId as string, at)
    },
    { pointer: { keys: false }, filterTaps: true, threshold: SLACK_PX },
  )
}
