import { useMemo } from 'react'
import { solveLoop } from '@link-count/core/drive'
import type { BuildSheet } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import { makeDriveScene } from './driveScene'
import { boxOf, makeProjection } from './projection'
import { sprocketPath } from './sprocketPath'

/** The drive as a still picture in lines that print sharp: for the workshop's list and the card. */
export function FaceStill({
  sheet,
  width,
  height,
  side = 'timing',
}: {
  readonly sheet: BuildSheet
  readonly width: number
  readonly height: number
  readonly side?: Side
}) {
  const drawn = useMemo(() => {
    const loop = sheet.loops[0]
    const solved = loop && solveLoop(sheet, loop)
    if (!loop || !solved?.ok) return undefined
    const scene = makeDriveScene(sheet, loop, solved.value, { loopOn: true, seatedPitches: undefined, camOffDeg: 0 })
    const projection = makeProjection(boxOf(solved.value), { width, height, side, margin: { x: 4, y: 4 } })
    const crankDeg = sheet.referencePose.crankDeg.value
    const pins = Array.from({ length: scene.links }, (_, k) => scene.pinAt(k, crankDeg))
    const at = (k: number) =>
      `${projection.x(pins[k % scene.links] as never).toFixed(1)} ${projection.y(pins[k % scene.links] as never).toFixed(1)}`
    const plates = (parity: number) =>
      Array.from(
        { length: Math.ceil((scene.links - parity) / 2) },
        (_, i) => `M${at(2 * i + parity)}L${at(2 * i + parity + 1)}`,
      ).join('')
    return { scene, projection, crankDeg, outer: plates(0), inner: plates(1) }
  }, [sheet, width, height, side])
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
  const { scene, projection, crankDeg, outer, inner } = drawn
  const linkWidth = Math.max(3.4, scene.solved.path.pitchMm * projection.scale * 0.5)
  const schematic = scene.solved.drawn === 'schematic'
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={schematic ? 'The drive, not to scale' : 'The drive, to scale'}
    >
      {scene.solved.members.map(({ memberId, centre, radiusMm, teeth }) =>
        teeth ? (
          <path
            key={memberId}
            d={sprocketPath(teeth, radiusMm * projection.scale, scene.solved.path.pitchMm * projection.scale)}
            transform={`translate(${projection.x(centre)} ${projection.y(centre)}) scale(${projection.mirror} 1) rotate(${-scene.turnOf(memberId, crankDeg)})`}
            fill="var(--steel-1)"
            stroke="var(--steel-3)"
            strokeWidth="0.600"
          />
        ) : null,
      )}
      <path d={inner} stroke="var(--plate-a)" strokeWidth={linkWidth * 0.72} strokeLinecap="round" fill="none" />
      <path d={outer} stroke="var(--plate-b)" strokeWidth={linkWidth} strokeLinecap="butt" fill="none" />
      {scene.solved.members.map(({ memberId, centre, teeth }) =>
        teeth ? (
          <circle key={memberId} cx={projection.x(centre)} cy={projection.y(centre)} r="1.800" fill="var(--ink)" />
        ) : null,
      )}
    </svg>
  )
}
