import { useMemo } from 'react'
import { AS_MARKED, asDrawable, makeDriveScene, type DriveScene } from '@link-count/core/scene'
import { partsOf } from '@link-count/core/sheet'
import type { Side } from '@link-count/core/units'
import { boxOf, FaceParts, makeProjection, Plates, platesOf, useSize, type Projection } from '../../../ui/face'
import { useChosenPart } from '../ChosenPart'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { CalliperLine } from './CalliperLine'
import { Hit } from './Hit'
import { MarkHits } from './MarkHits'
import { RunHits } from './RunHits'
import { spotsOf, type Spot } from './spots'
import { ToolRow } from './ToolRow'
import { useTool, type ToolInHand } from './useTool'
import { WheelHits } from './WheelHits'
import './DriveDrawing.css'

/** Room for what stands over the drawing and for the names beside it. */
const WIDE = { left: 88, right: 88, y: 96 }
const NARROW = { left: 52, right: 52, y: 68 }

/** The drive, every part of it to be touched. What nobody counted or measured is drawn thin. */
export function DriveDrawing({ side }: { readonly side: Side }) {
  const { sheet } = useSheetEditor()
  const tool = useTool()
  const { ref, width, height } = useSize()
  const drawable = useMemo(() => asDrawable(sheet), [sheet])
  const scene = useMemo(() => makeDriveScene(drawable.sheet, AS_MARKED), [drawable])
  const spots = useMemo(() => spotsOf(drawable.sheet, scene), [drawable, scene])
  const projection = useMemo(() => {
    const wheels = [...scene.toothed, ...spots.map(({ at }) => ({ centre: at, radiusMm: 12, pitchMm: 0 }))]
    const box = boxOf({ toothed: wheels, loops: scene.loops })
    const sized = { width: Math.max(width, 1), height: Math.max(height, 1), side }
    return makeProjection(box, { ...sized, margin: width < 500 ? NARROW : WIDE })
  }, [scene, spots, width, height, side])
  const poseDeg = sheet.referencePose.crankDeg.value
  if (scene.toothed.length === 0)
    return (
      <p className="page-message" ref={ref}>
        This engine has no drive on its sheet: true TDC, marks and cylinders only.
      </p>
    )
  return (
    <div className="drive-drawing">
      <div className="drive-area" ref={ref}>
        {width > 10 && (
          <svg width={width} height={height} role="group" aria-label={drawnWords(scene, sheet.sides[side])}>
            <FaceParts scene={scene} projection={projection} side={side} thin={drawable.standIns} stillDeg={poseDeg} />
            {scene.loops.map((loop) => (
              <Plates key={loop.loop.id} loop={platesOf(loop, projection, poseDeg)} />
            ))}
            <RunHits scene={scene} projection={projection} tool={tool} />
            <WheelHits scene={scene} projection={projection} standIns={drawable.standIns} tool={tool} />
            {spots.map((spot) => (
              <SpotHit key={spot.id} spot={spot} projection={projection} tool={tool} />
            ))}
            <MarkHits scene={scene} projection={projection} />
            <CalliperLine scene={scene} spots={spots} projection={projection} />
          </svg>
        )}
        <HowItIsDrawn scene={scene} standIns={drawable.standIns} bent={drawable.bent} />
      </div>
      <ToolRow tool={tool} />
    </div>
  )
}

const drawnWords = ({ drawn }: DriveScene, from: string) =>
  `The drive seen from the ${from}, ${drawn === 'toScale' ? 'to scale' : 'not to scale'}`

/** What has no teeth to be seen by. */
function SpotHit({
  spot: { kind, id, at, from, placed },
  projection,
  tool,
}: {
  readonly spot: Spot
  readonly projection: Projection
  readonly tool: ToolInHand
}) {
  const { sheet } = useSheetEditor()
  const { key: chosen } = useChosenPart()
  const name = (kind === 'shaft' ? partsOf(sheet).shaft(id) : partsOf(sheet).member(id))?.name ?? id
  const [x, y] = [projection.x(at), projection.y(at)]
  const own = partKey(kind, id)
  return (
    <Hit
      partKey={own}
      label={`${name}${placed ? '' : ', its place not known'}`}
      onTouch={tool.touch && kind === 'shaft' ? () => tool.touch?.({ on: 'shaft', shaftId: id }) : undefined}
    >
      {kind === 'shaft' && <line className="joint" x1={projection.x(from)} y1={projection.y(from)} x2={x} y2={y} />}
      <circle className="hit" cx={x} cy={y} r="24" />
      <circle className={placed ? 'spot' : 'spot thin'} cx={x} cy={y} r={kind === 'shaft' ? 16 : 8} />
      {chosen === own && <circle className="lit" cx={x} cy={y} r="26" />}
      <text className="teeth" x={x} y={y + (kind === 'shaft' ? 38 : 28)}>
        {name}
      </text>
    </Hit>
  )
}

/** Said once: what in the drawing is not measured. */
function HowItIsDrawn({
  scene,
  standIns,
  bent,
}: {
  readonly scene: DriveScene
  readonly standIns: ReadonlySet<string>
  readonly bent: ReadonlySet<string>
}) {
  const { sheet } = useSheetEditor()
  const names = [...bent].map((id) => partsOf(sheet).loop(id)?.name ?? id)
  const words = [
    ...(standIns.size > 0 ? ['Thin and with a question mark: teeth not counted yet.'] : []),
    ...(scene.drawn === 'schematic' ? ['Not to scale: drawn from the counts until the shafts are measured.'] : []),
    ...(names.length > 0 ? [`${names.join(', ')}: does not lie so by these figures, and is drawn all the same.`] : []),
  ]
  return words.length > 0 && <p className="drawn-how">{words.join(' ')}</p>
}
