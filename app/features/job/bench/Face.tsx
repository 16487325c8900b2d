import { useMergedRef } from '@mantine/hooks'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useGesture } from '@use-gesture/react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { countedPin, type DriveScene } from '@link-count/core/scene'
import {
  boxOf,
  makeProjection,
  paintLinks,
  useSize,
  WHOLE,
  zoomAt,
  type LinkColours,
  type Look,
} from '../../../ui/face'
import { handWords, nounsOf } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { FaceParts } from './FaceParts'
import { FaceWords } from './FaceWords'
import { turnFrom } from './turnByHand'

export interface CountedOnFace {
  readonly n: number
  readonly first: 'under' | 'next' | 'afterTip'
  readonly loopId: string
  readonly fromMarkId: string
}

/** The drive from the side stood at, to scale. Links run on a canvas; sprockets, marks and words are SVG, so that they print and
 *  can be read out. Nothing here renders per frame: the drawn crank moves what is already there. */
export function Face({
  scene,
  counted: asked,
}: {
  readonly scene: DriveScene
  readonly counted: CountedOnFace | undefined
}) {
  // With the loop off there are no pins to number.
  const counted = scene.loops.some(({ loop, on }) => on && loop.id === asked?.loopId) ? asked : undefined
  const { view, side, drawn } = useBench()
  const { ref, width, height } = useSize()
  const canvas = useRef<HTMLCanvasElement>(null)
  const overlay = useRef<SVGSVGElement>(null)
  const narrow = width < 560
  const [look, setLook] = useState(WHOLE)
  const board = useRef<HTMLDivElement>(null)
  const both = useMergedRef(ref, board)
  const projection = useMemo(
    () =>
      makeProjection(boxOf(scene), {
        width: Math.max(width, 1),
        height: Math.max(height, 1),
        side,
        look,
        // The words of the bench stand at the upper left.
        margin: narrow ? { left: 74, right: 74, y: 36 } : { left: 232, right: 100, y: 44 },
      }),
    [scene, width, height, side, narrow, look],
  )

  useEffect(() => {
    const target = canvas.current
    const svg = overlay.current
    const ctx = target?.getContext('2d')
    if (!target || !svg || !ctx || width < 10 || height < 10) return
    const ratio = Math.min(3, window.devicePixelRatio || 1)
    target.width = width * ratio
    target.height = height * ratio
    const colours = readColours(target)
    const countedLoop = counted && scene.loops.find(({ loop }) => loop.id === counted.loopId)
    const start = counted && countedLoop?.pitchesTo(counted.fromMarkId)
    const range =
      counted && counted.n > 0 && start !== undefined
        ? {
            from: Math.round(countedPin(start, 1, counted.first)),
            to: Math.round(countedPin(start, counted.n, counted.first)),
          }
        : undefined
    const painted = scene.loops
      .filter(({ on }) => on)
      .map((one) => ({
        one,
        xs: new Float64Array(one.links),
        ys: new Float64Array(one.links),
        inside: one.solved.members[0]?.side ?? 1,
        counted: one === countedLoop ? range : undefined,
      }))
    const turning = [...svg.querySelectorAll<SVGGElement>('[data-member]')].map((node) => ({
      node,
      id: node.dataset['member'] ?? '',
    }))
    const labels = [...svg.querySelectorAll<SVGGElement>('[data-pin]')].map((node) => ({
      node,
      n: Number(node.dataset['pin']),
    }))
    const centres = new Map(
      scene.toothed.map(({ memberId, centre }) => [
        memberId,
        `translate(${projection.x(centre)} ${projection.y(centre)})`,
      ]),
    )
    const draw = () => {
      const deg = drawn.get()
      ctx.setTransform(ratio, 0, 0, ratio, 0, 0)
      ctx.clearRect(0, 0, width, height)
      for (const { one, xs, ys, inside, counted: blue } of painted) {
        one.fillPins(deg, xs, ys)
        const { loop, links, solved } = one
        const { pitchMm } = solved.path
        const { painted: withPaint } = one
        paintLinks(ctx, {
          kind: loop.kind,
          xs,
          ys,
          links,
          pitchMm,
          projection,
          colours,
          inside,
          counted: blue,
          painted: withPaint,
        })
      }
      for (const { node, id } of turning) {
        node.setAttribute(
          'transform',
          `${centres.get(id) ?? ''} scale(${projection.mirror} 1) rotate(${-scene.turnOf(id, deg)})`,
        )
      }
      if (range && counted && countedLoop) for (const label of labels) placeLabel(label, deg)
    }
    const placeLabel = ({ node, n }: (typeof labels)[number], deg: number) => {
      if (!countedLoop || !counted) return
      const k = Math.round(countedPin(start ?? 0, n, counted.first))
      const [here, before, after] = [k, k - 1, k + 1].map((at) => countedLoop.pinAt(at, deg)) as [Pin, Pin, Pin]
      const [dx, dy] = [projection.x(after) - projection.x(before), projection.y(after) - projection.y(before)]
      const length = Math.hypot(dx, dy) || 1
      const outwards = projection.mirror * (countedLoop.solved.members[0]?.side ?? 1)
      const reach = 24
      const x = projection.x(here) - (outwards * dy * reach) / length
      const y = projection.y(here) + (outwards * dx * reach) / length
      node.setAttribute('transform', `translate(${x.toFixed(1)} ${y.toFixed(1)})`)
    }
    draw()
    return drawn.subscribe(draw)
  }, [scene, projection, counted, drawn, width, height])

  const crank = scene.toothed.find(({ isCrank }) => isCrank)
  const startTurning = (place: Place) =>
    crank && turnFrom([place.x, place.y], { projection, centre: crank.centre, view, drawn })
  useHands(board, setLook, startTurning)
  const links = scene.loops.map(({ loop, links: n }) => `${loop.name}, ${n} ${nounsOf(loop).links}`)
  return (
    <div ref={both} className="face">
      <canvas ref={canvas} style={{ width, height }} aria-hidden="true" />
      <svg
        ref={overlay}
        width={width}
        height={height}
        role="img"
        aria-label={`The drive seen from the ${view.sheet.sides[side]}, ${scene.drawn === 'toScale' ? 'to scale' : 'not to scale'}`}
      >
        <FaceParts scene={scene} projection={projection} side={side} />
        <FaceWords scene={scene} projection={projection} narrow={narrow} numbered={counted !== undefined} />
        {counted && labelsFor(counted.n).map((n) => <PinLabel key={n} n={n} last={n === counted.n} />)}
      </svg>
      <div className="zoom" role="group" aria-label="Nearer or whole">
        {(
          [
            ['Nearer', IconPlus, 1.6],
            ['Further', IconMinus, 1 / 1.6],
          ] as const
        ).map(([name, Icon, by]) => (
          <button
            key={name}
            type="button"
            aria-label={name}
            onClick={() => setLook((now) => zoomAt(now, now.zoom * by, { x: width / 2, y: height / 2 }))}
          >
            <Icon size={20} stroke={2.5} aria-hidden />
          </button>
        ))}
        {look.zoom > 1 && (
          <button type="button" onClick={() => setLook(WHOLE)}>
            Whole
          </button>
        )}
      </div>
      <p className="unseen">
        {links.join('; ')}. Running {handWords(1, view.sheet, side)}. {counted ? `${counted.n} counted.` : ''}
      </p>
    </div>
  )
}

interface Place {
  readonly x: number
  readonly y: number
}

/** Two fingers come nearer and move aside; a mouse's wheel comes nearer, and with shift moves aside. One finger turns the crank: `startTurning` gives
 *  what follows it. */
function useHands(
  target: React.RefObject<HTMLDivElement | null>,
  setLook: (change: (now: Look) => Look) => void,
  startTurning: (place: Place) => ((now: readonly [number, number]) => void) | undefined,
) {
  const placeOf = (x: number, y: number) => {
    const box = target.current?.getBoundingClientRect()
    return { x: x - (box?.left ?? 0), y: y - (box?.top ?? 0) }
  }
  useGesture(
    {
      onDrag: ({ first, event, xy: [x, y], pinching, cancel, memo }) => {
        const onButton = first && event.target instanceof Element && event.target.closest('.zoom')
        if (pinching || onButton) return void cancel()
        const at = placeOf(x, y)
        if (first) return startTurning(at)
        const turn = memo as ReturnType<typeof startTurning>
        turn?.([at.x, at.y])
        return turn
      },
      onPinch: ({ origin: [x, y], delta: [by], memo, first }) => {
        const at = placeOf(x, y)
        const last = first || !memo ? at : (memo as typeof at)
        setLook((now) => {
          const moved = now.zoom > 1 ? { ...now, x: now.x + at.x - last.x, y: now.y + at.y - last.y } : now
          return zoomAt(moved, moved.zoom * (1 + by), at)
        })
        return at
      },
      onWheel: ({ event, delta: [dx, dy], shiftKey }) => {
        if (event.ctrlKey) return
        const at = placeOf(event.clientX, event.clientY)
        setLook((now) =>
          shiftKey
            ? now.zoom > 1
              ? { ...now, x: now.x - dx - dy }
              : now
            : zoomAt(now, now.zoom * Math.exp(-dy / 400), at),
        )
      },
    },
    {
      target,
      eventOptions: { passive: false },
      wheel: { preventDefault: true },
      drag: { pointer: { keys: false } },
    },
  )
}

type Pin = { readonly x: number; readonly y: number }

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

function readColours(element: HTMLElement): LinkColours {
  const style = getComputedStyle(element)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return {
    plateA: of('--plate-a'),
    plateB: of('--plate-b'),
    pin: of('--bench'),
    rim: of('--steel-3'),
    counted: of('--blue'),
    paint: of('--brass'),
  }
}
