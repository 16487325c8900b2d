import { useState } from 'react'
import { shaftPoint } from '@link-count/core/drive'
import type { Point } from '@link-count/core/geometry'
import type { DriveScene, ToothedPart } from '@link-count/core/scene'
import { partsOf } from '@link-count/core/sheet'
import type { Projection } from '../../../ui/face'
import { useChosenPart } from '../ChosenPart'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { Hit } from './Hit'
import { moveShaft, STEP_MM } from './moveShaft'
import { halfTeethAt } from './halfTeethAt'
import { useDragShaft } from './useDragShaft'
import type { ToolInHand } from './useTool'

interface WheelHitsProps {
  readonly scene: DriveScene
  readonly projection: Projection
  readonly standIns: ReadonlySet<string>
  readonly tool: ToolInHand
}
type Held = { readonly shaftId: string; readonly at: Point } | undefined

const isOneSpot = ({ centre: a }: ToothedPart, { centre: b }: ToothedPart) => Math.hypot(a.x - b.x, a.y - b.y) < 1

/** Wheels, the largest first, so that what sits before them on the same shaft is touched by itself. A shaft that stands somewhere is drawn to where it stands,
 *  or moved by arrow keys. */
export function WheelHits(props: WheelHitsProps) {
  const { scene, projection } = props
  const { apply } = useSheetEditor()
  const [held, setHeld] = useState<Held>()
  const drag = useDragShaft(projection, setHeld, (shaftId, at) => void apply(moveShaft(shaftId, at)))
  return (
    <>
      {scene.toothed.map((part) => (
        <WheelHit key={part.memberId} {...props} part={part} drag={drag} />
      ))}
      {held && <HeldRing at={held.at} projection={projection} />}
    </>
  )
}

const HeldRing = ({ at, projection }: { readonly at: Point; readonly projection: Projection }) => {
  const zero = { x: 0, y: 0 }
  return (
    <g className="held" aria-hidden="true">
      <circle cx={projection.x(at)} cy={projection.y(at)} r="26" />
      <line x1={projection.x(zero)} y1={projection.y(zero)} x2={projection.x(at)} y2={projection.y(at)} />
    </g>
  )
}

function WheelHit({
  scene,
  projection,
  standIns,
  tool,
  part,
  drag,
}: WheelHitsProps & { readonly part: ToothedPart; readonly drag: ReturnType<typeof useDragShaft> }) {
  const { sheet, apply } = useSheetEditor()
  const { key: chosen } = useChosenPart()
  const { memberId, centre, radiusMm, teeth, name } = part
  const shaft = partsOf(sheet).shaftOfMember(memberId)
  const at = shaft && shaftPoint(sheet, shaft)
  const movable = at !== undefined && !part.isCrank && !tool.touch
  const isStandIn = standIns.has(memberId)
  const r = radiusMm * projection.scale
  const [x, y] = [projection.x(centre), projection.y(centre)]
  const behind = scene.toothed.some((one) => one !== part && one.radiusMm < radiusMm && isOneSpot(one, part))
  const own = partKey('wheel', memberId)
  const touch = tool.touch
  return (
    <Hit
      partKey={own}
      label={`${name}, ${isStandIn ? 'teeth not counted' : `${teeth} teeth`}${movable ? '. Arrow keys move its shaft' : ''}`}
      {...(movable && shaft ? { gestures: drag(shaft.id, at) } : {})}
      onTouch={
        touch &&
        ((where) => {
          const halfTeeth = isStandIn || !where ? undefined : halfTeethAt({ part, scene, projection, sheet }, where)
          touch({ on: 'wheel', memberId, halfTeeth })
        })
      }
      onKey={(key) => {
        const step = STEP_MM[key]
        if (!step || !movable || !shaft) return false
        void apply(moveShaft(shaft.id, { x: at.x + step[0], y: at.y + step[1] }))
        return true
      }}
    >
      <circle className="hit" cx={x} cy={y} r={Math.max(24, r)} />
      {chosen === own && <circle className="lit" cx={x} cy={y} r={Math.max(24, r + 9)} />}
      <text className="teeth" x={x} y={y + (behind ? r * 0.85 : Math.max(22, r * 0.5))}>
        {isStandIn ? '?' : teeth}
      </text>
    </Hit>
  )
}
