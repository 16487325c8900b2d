import { useMemo } from 'react'
import type { Point } from '@link-count/core/geometry'
import type { BuildSheet } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import { AS_MARKED, makeDriveScene, type LoopScene, type SceneState } from './driveScene'
import { boxOf, makeProjection, type Projection } from './projection'
import { wheelPath } from './wheelPath'

/** Room about a still picture, px. */
export const STILL_MARGIN = { left: 4, right: 4, y: 4 }

/** The drive as a still picture in lines that print sharp: for the workshop's list and the card. */
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
  const drawn = useMemo(() => {
    const scene = makeDriveScene(sheet, state)
    if (scene.wheels.length === 0) return undefined
    const projection = makeProjection(boxOf(scene), { width, height, side, margin: STILL_MARGIN })
    const crankDeg = sheet.referencePose.crankDeg.value
    return { scene, projection, crankDeg, loops: scene.loops.map((loop) => platesOf(loop, projection, crankDeg)) }
  }, [sheet, width, height, side, state])
  if (!drawn) {
    return (
      <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label="Drive not known yet">
        <circle
          cx={width / 2}
          cy={height / 2}
          r={height / 4}
          fill="none"
          stroke="var(--edge)"
          strokeWidth="1.500"
          strokeDasharray="4 4"
        />
      </svg>
    )
  }
  const { scene, projection, crankDeg, loops } = drawn
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={scene.drawn === 'schematic' ? 'The drive, not to scale' : 'The drive, to scale'}
    >
      {scene.wheels.map((wheel) => (
        <path
          key={wheel.memberId}
          d={wheelPath(wheel, projection.scale)}
          transform={`translate(${projection.x(wheel.centre)} ${projection.y(wheel.centre)}) scale(${projection.mirror} 1) rotate(${-scene.turnOf(wheel.memberId, crankDeg)})`}
          fill="var(--steel-1)"
          stroke="var(--steel-3)"
          strokeWidth="0.600"
        />
      ))}
      {loops.map(({ id, belt, inner, outer, width: linkWidth }) => (
        <g key={id}>
          {belt ? (
            <path d={outer + inner} stroke="var(--steel-3)" strokeWidth={linkWidth * 0.55} fill="none" />
          ) : (
            <>
              <path
                d={inner}
                stroke="var(--plate-a)"
                strokeWidth={linkWidth * 0.72}
                strokeLinecap="round"
                fill="none"
              />
              <path d={outer} stroke="var(--plate-b)" strokeWidth={linkWidth} strokeLinecap="butt" fill="none" />
            </>
          )}
          {belt && <path d={belt} stroke="var(--steel-3)" strokeWidth={linkWidth * 0.6} fill="none" />}
        </g>
      ))}
      {scene.wheels.map(({ memberId, centre }) => (
        <circle key={memberId} cx={projection.x(centre)} cy={projection.y(centre)} r="1.800" fill="var(--ink)" />
      ))}
    </svg>
  )
}

function platesOf({ loop, links, solved, pinAt }: LoopScene, projection: Projection, crankDeg: number) {
  const pins = Array.from({ length: links }, (_, k) => pinAt(k, crankDeg))
  const at = (k: number) =>
    `${projection.x(pins[k % links] as never).toFixed(1)} ${projection.y(pins[k % links] as never).toFixed(1)}`
  const plates = (parity: number) =>
    Array.from(
      { length: Math.ceil((links - parity) / 2) },
      (_, i) => `M${at(2 * i + parity)}L${at(2 * i + parity + 1)}`,
    ).join('')
  const width = Math.max(3.4, solved.path.pitchMm * projection.scale * 0.5)
  const belt = loop.kind === 'toothedBelt' ? teethOf(pins, projection, width, solved.members[0]?.side ?? 1) : undefined
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
