import { useMergedRef } from '@mantine/hooks'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useGesture } from '@use-gesture/react'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { DriveScene } from '@link-count/core/scene'
import {
  boxOf,
  FaceParts,
  makeProjection,
  useSize,
  WHOLE,
  zoomAt,
  type CountedOnFace,
  type Look,
} from '../../../ui/face'
import { handWords, nounsOf } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { FaceWords } from './FaceWords'
import { makeFaceDrawing } from './faceDrawing'
import { turnFrom } from './turnByHand'
import './Face.css'

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
    if (!canvas.current || !overlay.current || width < 10 || height < 10) return
    const draw = makeFaceDrawing(canvas.current, overlay.current, { scene, projection, counted, width, height })
    const drawNow = () => draw?.(drawn.get())
    drawNow()
    return drawn.subscribe(drawNow)
  }, [scene, projection, counted, drawn, width, height])

  const crank = scene.toothed.find(({ isCrank }) => isCrank)
  const startTurning = (place: Place) =>
    crank && turnFrom([place.x, place.y], { projection, centre: crank.centre, view, drawn })
  useHands(board, setLook, startTurning)
  const links = scene.loops.map(({ loop, links: n }) =>
    loop.pitches ? `${loop.name}, ${n} ${nounsOf(loop).links}` : `${loop.name}, its length not on the sheet`,
  )
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
        <FaceParts scene={scene} projection={projection} side={side} counted={counted} />
        <FaceWords scene={scene} projection={projection} narrow={narrow} numbered={counted !== undefined} />
        {counted && labelsFor(counted.n).map((n) => <PinLabel key={n} n={n} last={n === counted.n} />)}
      </svg>
      <Zoom look={look} setLook={setLook} middle={{ x: width / 2, y: height / 2 }} />
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

type SetLook = (change: Look | ((now: Look) => Look)) => void

const Zoom = ({
  look,
  setLook,
  middle,
}: {
  readonly look: Look
  readonly setLook: SetLook
  readonly middle: Place
}) => (
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
        onClick={() => setLook((now) => zoomAt(now, now.zoom * by, middle))}
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
)
