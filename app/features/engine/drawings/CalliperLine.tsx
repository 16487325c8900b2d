import type { DriveScene } from '@link-count/core/scene'
import { partsOf } from '@link-count/core/sheet'
import type { Projection } from '../../../ui/face'
import { useNextFigure } from '../answers/useNextFigure'
import { useSheetEditor } from '../SheetEditor'
import type { Spot } from './spots'

/** Where to hold the calliper for the distance that is wanted next: from one shaft to the other. */
export function CalliperLine({
  scene,
  spots,
  projection,
}: {
  readonly scene: DriveScene
  readonly spots: readonly Spot[]
  readonly projection: Projection
}) {
  const { sheet } = useSheetEditor()
  const { next } = useNextFigure()
  if (next?.figure.list !== 'shafts') return null
  const centreOf = (shaftId: string) =>
    scene.toothed.find(({ memberId }) => partsOf(sheet).member(memberId)?.shaftId === shaftId)?.centre ??
    spots.find(({ kind, id }) => kind === 'shaft' && id === shaftId)?.at
  const shaft = partsOf(sheet).shaft(next.figure.id)
  const fromId = shaft?.position?.how === 'polar' ? shaft.position.fromShaftId : 'crank'
  const [from, to] = [centreOf(fromId), shaft && centreOf(shaft.id)]
  if (!from || !to) return null
  const [x1, y1, x2, y2] = [projection.x(from), projection.y(from), projection.x(to), projection.y(to)]
  return (
    <g className="calliper" aria-hidden="true">
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      <rect x={(x1 + x2) / 2 - 26} y={(y1 + y2) / 2 - 14} width={52} height={28} rx={6} />
      <text x={(x1 + x2) / 2} y={(y1 + y2) / 2 + 6}>
        ?
      </text>
    </g>
  )
}
