import { useRef } from 'react'
import { sprocketPath } from '../../../ui/face'
import './CamDial.css'

const RADIUS = 100

/** The camshaft's sprocket as it is seen, where its mark belongs, and a line to be put where the mark points: by dragging, by arrow keys, or from the figure
 *  that is typed beside it. */
export function CamDial({
  teeth,
  upDeg,
  turns,
  offDeg,
  stepDeg,
  name,
  words,
  onOff,
}: {
  readonly teeth: number | undefined
  /** Where the mark belongs, degrees clockwise from straight up, as seen. */
  readonly upDeg: number
  /** Which way the camshaft runs, as seen: +1 clockwise. */
  readonly turns: 1 | -1
  /** Degrees of its own off its place, + = late. */
  readonly offDeg: number
  readonly stepDeg: number
  readonly name: string
  readonly words: string
  readonly onOff: (offDeg: number) => void
}) {
  const drawing = useRef<SVGSVGElement>(null)
  const at = upDeg - turns * offDeg
  const put = (off: number) => onOff(Math.round(Math.max(-180, Math.min(180, off)) / stepDeg) * stepDeg)
  const drag = (event: React.PointerEvent) => {
    if (event.buttons === 0 && event.pointerType === 'mouse') return
    const box = drawing.current?.getBoundingClientRect()
    if (!box) return
    const x = event.clientX - box.left - box.width / 2
    const y = event.clientY - box.top - box.height / 2
    const seen = (Math.atan2(x, -y) * 180) / Math.PI
    const off = turns * (upDeg - seen)
    put(((((off + 180) % 360) + 360) % 360) - 180)
  }
  const keys: Record<string, number> = {
    ArrowLeft: stepDeg,
    ArrowDown: stepDeg,
    ArrowRight: -stepDeg,
    ArrowUp: -stepDeg,
  }
  return (
    <figure className="cam-dial">
      <svg
        ref={drawing}
        viewBox="-150 -136 300 272"
        role="slider"
        tabIndex={0}
        aria-label={`Where the ${name} points`}
        aria-valuemin={-180}
        aria-valuemax={180}
        aria-valuenow={Number(offDeg.toFixed(1))}
        aria-valuetext={words}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          drag(event)
        }}
        onPointerMove={drag}
        onKeyDown={(event) => {
          const by = keys[event.key]
          if (by === undefined) return
          event.preventDefault()
          put(offDeg + by)
        }}
      >
        <DialParts teeth={teeth} upDeg={upDeg} atDeg={at} />
      </svg>
      <figcaption className="soft">Drag the line to where the {name} points, as you see it</figcaption>
    </figure>
  )
}

/** Where the mark belongs, the sprocket, and the line to be put. */
const DialParts = ({
  teeth,
  upDeg,
  atDeg,
}: {
  readonly teeth: number | undefined
  readonly upDeg: number
  readonly atDeg: number
}) => (
  <>
    <g transform={`rotate(${upDeg})`} className="cam-dial-place">
      <line y1="-146" y2={-RADIUS - 8} />
      <path d="M0 -106L-9 -126H9Z" />
    </g>
    <g transform={`rotate(${atDeg - 90})`}>
      {teeth === undefined ? (
        <circle r={RADIUS} className="cam-dial-wheel" />
      ) : (
        <path d={sprocketPath(teeth, RADIUS, (2 * Math.PI * RADIUS) / teeth)} className="cam-dial-wheel" />
      )}
    </g>
    <circle r="14" className="cam-dial-hub" />
    <g transform={`rotate(${atDeg})`} className="cam-dial-mark">
      <line y1="-22" y2={-RADIUS + 10} />
      <circle cy={-RADIUS + 4} r="9" />
    </g>
  </>
)
