import { useDrag } from '@use-gesture/react'
import type { Point } from '@link-count/core/geometry'
import type { DriveScene, LoopScene } from '@link-count/core/scene'
import { partsOf } from '@link-count/core/sheet'
import { inSentence } from '../../../ui/wording'
import type { Projection } from '../../../ui/face'
import { passOtherSide } from '../bendDrive'
import { useChosenPart } from '../ChosenPart'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { Hit } from './Hit'
import { pulledOver } from './pulledOver'
import type { ToolInHand } from './useTool'

interface RunHitsProps {
  readonly scene: DriveScene
  readonly projection: Projection
  readonly tool: ToolInHand
}

/** The free runs of chains and belts: touched, they are their chain or belt; with a tool in hand each is by itself. A run pulled over a wheel passes it on its
 *  other side. */
export const RunHits = ({ scene, projection, tool }: RunHitsProps) =>
  scene.loops.map((loop) =>
    tool.touch ? (
      <EachRun key={loop.loop.id} loop={loop} projection={projection} tool={tool} />
    ) : (
      <WholeLoop key={loop.loop.id} loop={loop} projection={projection} />
    ),
  )

const runsOf = ({ solved }: LoopScene) =>
  solved.path.pieces.flatMap((piece, i, all) => {
    const next = all[(i + 1) % all.length]
    const toMemberId = (next?.kind === 'arc' ? next.memberId : undefined) ?? ''
    return piece.kind === 'run' ? [{ ...piece, toMemberId }] : []
  })

const lineOf = (projection: Projection, { from, to }: { readonly from: Point; readonly to: Point }) =>
  `M${projection.x(from)} ${projection.y(from)}L${projection.x(to)} ${projection.y(to)}`

function EachRun({
  loop,
  projection,
  tool,
}: {
  readonly loop: LoopScene
  readonly projection: Projection
  readonly tool: ToolInHand
}) {
  const { sheet } = useSheetEditor()
  const name = (id: string) => inSentence(partsOf(sheet).member(id)?.name ?? '')
  const { id: loopId } = loop.loop
  return runsOf(loop).map((run) => (
    <Hit
      key={run.fromMemberId}
      partKey={partKey('loop', loopId)}
      label={`${loop.loop.name}, run from the ${name(run.fromMemberId)} to the ${name(run.toMemberId)}`}
      onTouch={() => tool.touch?.({ on: 'run', loopId, afterId: run.fromMemberId })}
    >
      <path className={tool.asksRun ? 'hit-run offered' : 'hit-run'} d={lineOf(projection, run)} />
    </Hit>
  ))
}

function WholeLoop({ loop, projection }: { readonly loop: LoopScene; readonly projection: Projection }) {
  const { apply } = useSheetEditor()
  const { key: chosen } = useChosenPart()
  const { id: loopId, name } = loop.loop
  const pull = useDrag(
    ({ args: [run], xy: [clientX, clientY], last, tap, event }) => {
      if (!last || tap) return
      const box = (event.target as Element).closest('svg')?.getBoundingClientRect()
      if (!box) return
      const at = { x: clientX - box.left, y: clientY - box.top }
      const { fromMemberId, toMemberId, from, to } = run as ReturnType<typeof runsOf>[number]
      const seen = (point: Point) => ({ x: projection.x(point), y: projection.y(point) })
      const ends = [fromMemberId, toMemberId].flatMap((id) => {
        const member = loop.solved.members.find(({ memberId }) => memberId === id)
        return member ? [{ id, centre: seen(member.centre), r: member.radiusMm * projection.scale }] : []
      })
      const over = pulledOver({ from: seen(from), to: seen(to) }, at, ends)
      if (over) void apply(passOtherSide(loopId, over))
    },
    { pointer: { keys: false }, filterTaps: true },
  )
  const own = partKey('loop', loopId)
  const lit = chosen === own || chosen === partKey('counts', loopId)
  return (
    <Hit partKey={own} label={name}>
      {runsOf(loop).map((run) => (
        <g key={run.fromMemberId}>
          <path className="hit-run" d={lineOf(projection, run)} {...pull(run)} />
          {lit && <path className="lit-run" d={lineOf(projection, run)} />}
        </g>
      ))}
    </Hit>
  )
}
