import { useMemo } from 'react'
import type { BuildSheet } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import { AS_MARKED, type SceneState } from '@link-count/core/scene'
import { drawStill } from './stillDrawing'
import { StillPicture } from './StillPicture'

/** The drive of a build sheet as a still picture: for the card and the new engine. */
export function FaceStill({
  sheet,
  width,
  height,
  side = 'timing',
  state = AS_MARKED,
}: {
  readonly sheet: BuildSheet
  readonly width: number
  readonly height: number
  readonly side?: Side
  /** How the loops lie; as the marks would have it when nothing is said. */
  readonly state?: SceneState
}) {
  const drawing = useMemo(() => drawStill(sheet, { width, height, side, state }), [sheet, width, height, side, state])
  return <StillPicture drawing={drawing} width={width} height={height} />
}
