import { loopKinds } from '@link-count/core/drive'
import type { Point } from '@link-count/core/geometry'
import type { BuildSheet } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import type { StillDrawing } from '../../domain/summaries'
import { AS_MARKED, makeDriveScene, type LoopScene, type SceneState } from '@link-count/core/scene'
import { boxOf, makeProjection, type Projection } from './projection'
import { isStraight } from './toothedPath'

/** Room about a still picture, px. */
export const STILL_MARGIN = { left: 4, right: 4, y: 4 }

/** The drive as a still picture; undefined where nothing of it is known. `state`: how the loops lie; as the marks would have it when nothing is said. */
export function drawStill(
  sheet: BuildSheet,
  {
    width,
    height,
    side = 'timing',
    state = AS_MARKED,
  }: { readonly width: number; readonly height: number; readonly side?: Side; readonly state?: SceneState },
): StillDrawing | undefined {
  const scene = makeDriveScene(sheet, state)
  if (scene.toothed.length === 0) return undefined
  const projection = makeProjection(boxOf(scene), { width, height, side, margin: STILL_MARGIN })
  const crankDeg = sheet.referencePose.crankDeg.value
  const at = (n: number) => Math.round(n * 100) / 100
  return {
    label: scene.drawn === 'schematic' ? 'The drive, not to scale' : 'The drive, to scale',
    toothed: scene.toothed.map((part) => ({
      id: part.memberId,
      straight: isStraight(part),
      teeth: part.teeth,
      radius: at(part.radiusMm * projection.scale),
      pitch: at(part.pitchMm * projection.scale),
      transform: `translate(${at(projection.x(part.centre))} ${at(projection.y(part.centre))}) scale(${projection.mirror} 1) rotate(${at(-scene.turnOf(part.memberId, crankDeg))})`,
    })),
    loops: scene.loops.map((loop) => platesOf(loop, projection, crankDeg)),
    dots: scene.toothed.map(({ memberId, centre }) => ({
      id: memberId,
      x: at(projection.x(centre)),
      y: at(projection.y(centre)),
    })),
  }
}

/** The plates of a loop as lines, the crank at so many degrees. */
export function platesOf({ loop, links, solved, pinAt }: LoopScene, projection: Projection, crankDeg: number) {
  const pins = Array.from({ length: links }, (_, k) => pinAt(k, crankDeg))
  const at = (k: number) =>
    `${projection.x(pins[k % links] as never).toFixed(1)} ${projection.y(pins[k % links] as never).toFixed(1)}`
  const plates = (parity: number) =>
    Array.from(
      { length: Math.ceil((links - parity) / 2) },
      (_, i) => `M${at(2 * i + parity)}L${at(2 * i + parity + 1)}`,
    ).join('')
  const width = Math.max(3.4, solved.path.pitchMm * projection.scale * 0.5)
  const belt =
    loopKinds[loop.kind].made === 'band' ? teethOf(pins, projection, width, solved.members[0]?.side ?? 1) : undefined
  return { id: loop.id, belt, outer: plates(0), inner: plates(1), width }
}

/** A belt's teeth: a short stroke towards what it goes round at every pitch. */
function teethOf(pins: readonly Point[], projection: Projection, width: number, inside: 1 | -1): string {
  const n = pins.length
  return pins
    .map((pin, k) => {
      const [before, after] = [pins[(k - 1 + n) % n] ?? pin, pins[(k + 1) % n] ?? pin]
      const [dx, dy] = [projection.x(after) - projection.x(before), projection.y(after) - projection.y(before)]
      const reach = (inside * projection.mirror * width * 0.8) / (Math.hypot(dx, dy) || 1)
      const [x, y] = [projection.x(pin), projection.y(pin)]
      return `M${x.toFixed(1)} ${y.toFixed(1)}l${(dy * reach).toFixed(1)} ${(-dx * reach).toFixed(1)}`
    })
    .join('')
}
