import { useEffect, useMemo, useRef } from 'react'
import {
  boxOf,
  countedPin,
  makeProjection,
  paintLinks,
  sprocketPath,
  useSize,
  type DriveScene,
  type LinkColours,
} from '../../../ui/face'
import { handWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { startTurning } from './turnByHand'

export interface CountedOnFace {
  readonly n: number
  readonly first: 'under' | 'next' | 'afterTip'
}

/** The drive from the side stood at, to scale. Links run on a canvas; sprockets, marks and words are SVG, so that they print and
 *  can be read out. Nothing here renders per frame: the drawn crank moves what is already there. */
export function Face({ scene, counted }: { readonly scene: DriveScene; readonly counted: CountedOnFace | undefined }) {
  const { view, side, drawn } = useBench()
  const { ref, width, height } = useSize()
  const canvas = useRef<HTMLCanvasElement>(null)
  const overlay = useRef<SVGSVGElement>(null)
  const { solved } = scene
  const narrow = width < 560
  const projection = useMemo(
    () =>
      makeProjection(boxOf(solved), {
        width: Math.max(width, 1),
        height: Math.max(height, 1),
        side,
        margin: narrow ? { x: 74, y: 36 } : { x: 150, y: 40 },
      }),
    [solved, width, height, side, narrow],
  )

  useEffect(() => {
    const target = canvas.current
    const svg = overlay.current
    const ctx = target?.getContext('2d')
    if (!target || !svg || !ctx || width < 10 || height < 10) return
    const ratio = Math.min(3, window.devicePixelRatio || 1)
    target.width = width * ratio
    target.height = height * ratio
    const [xs, ys] = [new Float64Array(scene.links), new Float64Array(scene.links)]
    const colours = readColours(target)
    const start = scene.countStart
    const range =
      counted && counted.n > 0 && start !== undefined
        ? {
            from: Math.round(countedPin(start, 1, counted.first)),
            to: Math.round(countedPin(start, counted.n, counted.first)),
          }
        : undefined
    const turning = [...svg.querySelectorAll<SVGGElement>('[data-member]')].map((node) => ({
      node,
      id: node.dataset['member'] ?? '',
    }))
    const labels = [...svg.querySelectorAll<SVGGElement>('[data-pin]')].map((node) => ({
      node,
      n: Number(node.dataset['pin']),
    }))
    const centres = new Map(
      solved.members.map(({ memberId, centre }) => [
        memberId,
        `translate(${projection.x(centre)} ${projection.y(centre)})`,
      ]),
    )
    const draw = () => {
      const deg = drawn.get()
      ctx.setTransform(ratio, 0, 0, ratio, 0, 0)
      ctx.clearRect(0, 0, width, height)
      if (scene.loopOn) {
        scene.fillPins(deg, xs, ys)
        paintLinks(ctx, {
          xs,
          ys,
          links: scene.links,
          pitchMm: solved.path.pitchMm,
          projection,
          colours,
          counted: range,
        })
      }
      for (const { node, id } of turning) {
        node.setAttribute(
          'transform',
          `${centres.get(id) ?? ''} scale(${projection.mirror} 1) rotate(${-scene.turnOf(id, deg)})`,
        )
      }
      if (range && counted) placeLabels(labels, deg)
    }
    const placeLabels = (nodes: typeof labels, deg: number) => {
      for (const { node, n } of nodes) {
        const k = Math.round(countedPin(start ?? 0, n, counted?.first ?? 'next'))
        const [here, before, after] = [scene.pinAt(k, deg), scene.pinAt(k - 1, deg), scene.pinAt(k + 1, deg)]
        const [dx, dy] = [projection.x(after) - projection.x(before), projection.y(after) - projection.y(before)]
        const length = Math.hypot(dx, dy) || 1
        const outwards = projection.mirror * (solved.members[0]?.side ?? 1)
        const reach = 24
        const x = projection.x(here) - (outwards * dy * reach) / length
        const y = projection.y(here) + (outwards * dx * reach) / length
        node.setAttribute('transform', `translate(${x.toFixed(1)} ${y.toFixed(1)})`)
      }
    }
    draw()
    return drawn.subscribe(draw)
  }, [scene, projection, solved, counted, drawn, width, height])

  return (
    <div
      ref={ref}
      className="face"
      onPointerDown={(event) => startTurning(event, { projection, centre: solved.members[0]?.centre, view, drawn })}
    >
      <canvas ref={canvas} style={{ width, height }} aria-hidden="true" />
      <svg
        ref={overlay}
        width={width}
        height={height}
        role="img"
        aria-label={`The drive seen from the ${view.sheet.sides[side]}, ${solved.drawn === 'toScale' ? 'to scale' : 'not to scale'}`}
      >
        <Members scene={scene} projection={projection} />
        <Words scene={scene} projection={projection} narrow={narrow} numbered={counted !== undefined} />
        {counted && labelsFor(counted.n).map((n) => <PinLabel key={n} n={n} last={n === counted.n} />)}
      </svg>
      <p className="unseen">
        {solved.pitches} links. Running {handWords(1, view.sheet, side)}. {counted ? `${counted.n} counted.` : ''}
      </p>
    </div>
  )
}

/** Numbers at 1, every 5 and the last. */
const labelsFor = (n: number) =>
  [...new Set([1, ...Array.from({ length: Math.floor(n / 5) }, (_, i) => (i + 1) * 5), n])].filter(
    (k) => k > 0 && k <= n && !(k !== n && k > 1 && n - k < 2 && k % 5 === 0),
  )

const PinLabel = ({ n, last }: { n: number; last: boolean }) => (
  <g data-pin={n}>
    <text className={last ? 'pin-label last' : 'pin-label'} textAnchor="middle" dominantBaseline="central">
      {n}
    </text>
  </g>
)

type Parts = { readonly scene: DriveScene; readonly projection: ReturnType<typeof makeProjection> }

function Members({ scene, projection }: Parts) {
  const { solved } = scene
  const pitch = solved.path.pitchMm * projection.scale
  return (
    <>
      {solved.members.map(({ memberId, radiusMm, teeth, centre, side }) => {
        const r = radiusMm * projection.scale
        if (!teeth)
          return (
            <Shoe
              key={memberId}
              x={projection.x(centre)}
              y={projection.y(centre)}
              r={r}
              scene={scene}
              memberId={memberId}
              projection={projection}
              outside={side !== solved.members[0]?.side}
            />
          )
        const holes = r > 60 ? 6 : 0
        return (
          <g key={memberId} data-member={memberId}>
            <path d={sprocketPath(teeth, r, pitch)} className="sprocket" />
            {Array.from({ length: holes }, (_, i) => (
              <circle
                key={i}
                className="hole"
                cx={r * 0.58 * Math.cos((i * Math.PI) / 3 + 0.5)}
                cy={r * 0.58 * Math.sin((i * Math.PI) / 3 + 0.5)}
                r={r * 0.1}
              />
            ))}
            <circle className="hole" r={Math.max(6, r * 0.2)} />
            <circle className="axis" r="2.500" />
            {scene.marks
              .filter((mark) => mark.memberId === memberId)
              .map((mark) => (
                <path
                  key={mark.id}
                  className="mark"
                  transform={`rotate(${-mark.angleDeg}) translate(${r - pitch * (mark.seat === 'gap' ? 0.62 : 0.5)} 0)`}
                  d="M0 0L-13 -6.500L-13 6.500z"
                >
                  <title>{mark.name}</title>
                </path>
              ))}
          </g>
        )
      })}
    </>
  )
}

/** A plain guide or tensioner: the stretch of its circle that the loop bears on, as a shoe. */
function Shoe({
  x,
  y,
  r,
  scene,
  memberId,
  projection,
  outside,
}: {
  x: number
  y: number
  r: number
  scene: DriveScene
  memberId: string
  projection: Parts['projection']
  outside: boolean
}) {
  const arc = scene.solved.path.pieces.find((piece) => piece.kind === 'arc' && piece.memberId === memberId)
  if (arc?.kind !== 'arc') return null
  const half = Math.max(Math.abs(arc.sweepDeg) / 2 + 6, 14)
  const middle = arc.fromDeg + arc.sweepDeg / 2
  const inner = r - (outside ? 1 : -1) * (6 + scene.solved.path.pitchMm * projection.scale * 0.3)
  const point = (deg: number) => {
    const rad = (deg * Math.PI) / 180
    return `${(x + projection.mirror * inner * Math.cos(rad)).toFixed(1)} ${(y - inner * Math.sin(rad)).toFixed(1)}`
  }
  const sweep = projection.mirror === 1 ? 0 : 1
  return (
    <path
      className="shoe"
      d={`M${point(middle - half)}A${inner.toFixed(1)} ${inner.toFixed(1)} 0 0 ${sweep} ${point(middle + half)}`}
    />
  )
}

function Words({ scene, projection, narrow, numbered }: Parts & { narrow: boolean; numbered: boolean }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const { solved } = scene
  const middle = (run: NonNullable<DriveScene['tightRun']>, share = 0.5) => ({
    x: projection.x({ x: run.from.x + (run.to.x - run.from.x) * share, y: 0 }),
    y: projection.y({ x: 0, y: run.from.y + (run.to.y - run.from.y) * share }),
  })
  const tensioner = solved.members.find(({ kind }) => kind === 'tensioner')
  const at = tensioner && state.tensioners[tensioner.memberId]
  const tight = scene.tightRun && middle(scene.tightRun, 0.4)
  const slack = scene.slackRun && middle(scene.slackRun)
  const out = (x: number, numbers = false) =>
    x > projection.x({ x: 0, y: 0 })
      ? { dx: numbers ? 62 : 30, anchor: 'start' as const }
      : { dx: numbers ? -62 : -22, anchor: 'end' as const }
  const cranks = solved.members.filter(({ teeth }) => teeth)
  return (
    <g className="words">
      {cranks.map(({ memberId, centre, radiusMm, teeth }) => {
        const member = sheet.members.find(({ id }) => id === memberId)
        const r = radiusMm * projection.scale
        const inside = r > 78
        const y = projection.y(centre)
        // The words of the bench stand at the upper left: a small upper sprocket is named on its right, a small lower one below.
        const upper = y < projection.y(cranks[0]?.centre ?? centre) - 40
        const place = inside
          ? { x: projection.x(centre), y: y + r * 0.36, textAnchor: 'middle' as const }
          : upper
            ? { x: projection.x(centre) + r + 54, y, textAnchor: 'start' as const }
            : { x: projection.x(centre), y: y + r + 28, textAnchor: 'middle' as const }
        return (
          <text key={memberId} {...place}>
            {narrow ? `${teeth}` : `${member?.name.toLowerCase() ?? ''}, ${teeth}`}
          </text>
        )
      })}
      {scene.loopOn && tight && (
        <text
          x={tight.x + out(tight.x, numbered).dx}
          y={tight.y}
          textAnchor={out(tight.x, numbered).anchor}
          className="tight"
        >
          tight run{' '}
          <tspan x={tight.x + out(tight.x, numbered).dx} dy="18" className="plain-words">
            {narrow ? '' : `${scene.tightRun?.pitches.toFixed(1)} pitches free`}
          </tspan>
        </text>
      )}
      {scene.loopOn && slack && (
        <text x={slack.x + out(slack.x).dx} y={slack.y} textAnchor={out(slack.x).anchor}>
          slack run
        </text>
      )}
      {tensioner && at && at !== 'asArrived' && (
        <text
          x={projection.x(tensioner.centre)}
          y={projection.y(tensioner.centre)}
          textAnchor="middle"
          className={at === 'heldBack' || at === 'fitted' ? 'held' : undefined}
        >
          {at === 'heldBack' || at === 'fitted' ? 'tensioner held' : 'tensioner released'}
        </text>
      )}
      <RunningArrow scene={scene} projection={projection} running={sheet.running?.value} side={side} />
    </g>
  )
}

/** Which way the crank runs, as an arrow round its centre. */
function RunningArrow({
  scene,
  projection,
  running,
  side,
}: Parts & { running: 'clockwise' | 'anticlockwise' | undefined; side: 'timing' | 'opposite' }) {
  const crank = scene.solved.members.find(({ teeth }) => teeth)
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

function readColours(element: HTMLElement): LinkColours {
  const style = getComputedStyle(element)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return {
    plateA: of('--plate-a'),
    plateB: of('--plate-b'),
    pin: of('--bench'),
    rim: of('--steel-3'),
    counted: of('--blue'),
  }
}
