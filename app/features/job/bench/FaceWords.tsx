import { inSentence } from '../../../ui/wording'
import type { Side } from '@link-count/core/units'
import { type DriveScene, type LoopScene, type ToothedPart } from '@link-count/core/scene'
import { namePlace, type Projection } from '../../../ui/face'
import { useBench } from '../JobContext'
import './FaceWords.css'

interface Parts {
  readonly scene: DriveScene
  readonly projection: Projection
}

/** Names, runs, the state of the tensioner, which way it runs. With many sprockets their names shrink to what fits. */
export function FaceWords({ scene, projection, narrow, numbered }: Parts & { narrow: boolean; numbered: boolean }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const many = scene.toothed.length > 3
  const tensioners = scene.loops.flatMap(({ solved }) => solved.members.filter(({ kind }) => kind === 'tensioner'))
  return (
    <g className="words">
      {scene.toothed.map((wheel) => (
        <PartName key={wheel.memberId} wheel={wheel} scene={scene} projection={projection} short={narrow || many} />
      ))}
      {scene.loops
        .filter(({ on }) => on)
        .map((loop) => (
          <RunNames
            key={loop.loop.id}
            loop={loop}
            projection={projection}
            narrow={narrow || many}
            numbered={numbered}
            several={scene.loops.length > 1}
          />
        ))}
      {tensioners.map(({ memberId, centre }) => {
        const at = state.tensioners[memberId]
        if (!at || at === 'asArrived') return null
        const held = at === 'heldBack' || at === 'fitted'
        return (
          <text
            key={memberId}
            x={projection.x(centre)}
            y={projection.y(centre)}
            textAnchor="middle"
            className={held ? 'held' : undefined}
          >
            {held ? 'tensioner held' : 'tensioner released'}
          </text>
        )
      })}
      <RunningArrow
        crank={scene.toothed.find(({ isCrank }) => isCrank)}
        projection={projection}
        running={sheet.running?.value}
        side={side}
      />
    </g>
  )
}

function PartName({ wheel, scene, projection, short }: Parts & { wheel: ToothedPart; short: boolean }) {
  const { centre, teeth, name } = wheel
  const circle = (one: ToothedPart) => ({
    x: projection.x(one.centre),
    y: projection.y(one.centre),
    r: one.radiusMm * projection.scale,
  })
  const own = circle(wheel)
  const crank = scene.toothed.find(({ isCrank }) => isCrank)
  const others = scene.toothed.filter((one) => one !== wheel)
  const coaxial = others.some((one) => Math.hypot(one.centre.x - centre.x, one.centre.y - centre.y) < 1)
  const words = short ? `${teeth}` : `${inSentence(name)}, ${teeth}`
  const upper = crank !== undefined && own.y < projection.y(crank.centre) - 40
  const place =
    own.r > 78 || (short && own.r > 26)
      ? { x: own.x, y: own.y + own.r * (coaxial ? 0.8 : own.r > 78 ? 0.36 : 0.62), textAnchor: 'middle' as const }
      : namePlace(own, others.map(circle), {
          words,
          gap: short ? 16 : 18,
          order: upper ? ['right', 'left', 'above', 'below'] : ['below', 'right', 'left', 'above'],
        })
  return (
    <text {...place}>
      {words}
      <title>{name}</title>
    </text>
  )
}

/** Which runs are pulled and which are slack. */
function RunNames({
  loop,
  projection,
  narrow,
  numbered,
  several,
}: {
  loop: LoopScene
  projection: Projection
  narrow: boolean
  numbered: boolean
  several: boolean
}) {
  const { runs, path } = loop.solved
  const drawn = path.pieces.filter((piece) => piece.kind === 'run')
  const longest = (kind: 'tight' | 'slack') => {
    const ids = runs.filter((run) => run.kind === kind).map(({ fromMemberId }) => fromMemberId)
    return drawn.filter(({ fromMemberId }) => ids.includes(fromMemberId)).sort((a, b) => b.lengthMm - a.lengthMm)[0]
  }
  const middle = (run: (typeof drawn)[number], share: number) => ({
    x: projection.x({ x: run.from.x + (run.to.x - run.from.x) * share, y: 0 }),
    y: projection.y({ x: 0, y: run.from.y + (run.to.y - run.from.y) * share }),
  })
  const inside = loop.solved.members.find(({ memberId }) => memberId === loop.solved.driverId)?.side ?? 1
  /** Beside a run on the outer side of its loop, so far off; told from the end that is nearer. */
  const beside = (run: (typeof drawn)[number], share: number, off: number) => {
    const { x, y } = middle(run, share)
    const length = Math.hypot(run.to.x - run.from.x, run.to.y - run.from.y) || 1
    const outX = (projection.mirror * inside * (run.to.y - run.from.y)) / length
    const outY = (inside * (run.to.x - run.from.x)) / length
    const textAnchor = outX > 0.3 ? ('start' as const) : outX < -0.3 ? ('end' as const) : ('middle' as const)
    return { x: x + outX * off, y: y + outY * off + 5, textAnchor }
  }
  const [tightRun, slackRun] = [longest('tight'), longest('slack')]
  const tight = tightRun && beside(tightRun, 0.4, numbered ? 58 : 30)
  const slack = slackRun && beside(slackRun, 0.5, 24)
  return (
    <>
      {tight && (
        <text {...tight} className="tight">
          tight run{' '}
          {!narrow && !several && loop.solved.drawn === 'toScale' && (
            <tspan x={tight.x} dy="18" className="plain-words">
              {`${tightRun.pitches.toFixed(1)} pitches free`}
            </tspan>
          )}
        </text>
      )}
      {slack && <text {...slack}>slack run</text>}
    </>
  )
}

/** Which way the crank runs, as an arrow round its centre. */
function RunningArrow({
  crank,
  projection,
  running,
  side,
}: {
  crank: ToothedPart | undefined
  projection: Projection
  running: 'clockwise' | 'anticlockwise' | undefined
  side: Side
}) {
  if (!running || !crank) return null
  const r = Math.max(14, crank.radiusMm * projection.scale * 0.5)
  const clockwise = (running === 'clockwise') === (side === 'timing')
  const flip = clockwise ? 1 : -1
  return (
    <g
      transform={`translate(${projection.x(crank.centre)} ${projection.y(crank.centre)}) scale(${flip} 1)`}
      className="running-arrow"
    >
      <path d={`M${-r * 0.77} ${-r * 0.64}A${r} ${r} 0 0 1 ${r * 0.77} ${-r * 0.64}`} />
      <path
        d={`M${r * 0.77 + 5} ${-r * 0.64 + 5}L${r * 0.77 - 8} ${-r * 0.64 + 1}L${r * 0.77 + 3} ${-r * 0.64 - 9}z`}
        className="head"
      />
    </g>
  )
}
