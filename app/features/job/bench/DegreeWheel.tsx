import { useEffect, useRef } from 'react'
import { showOnScale } from '@link-count/core/degreeWheel'
import { DEFAULT_SCALE, type JobState } from '@link-count/core/ledger'
import type { WheelScale } from '@link-count/core/model'
import { wrapTo360 } from '@link-count/core/units'
import { useSize } from '../../../ui/face'
import { useBench } from '../JobContext'
import { pairOf } from '../ways/zero'
import { wheelAsSeen } from '../../../ui/job'
import './DegreeWheel.css'

/** The degree wheel as it hangs on the crank: the contacts, the middle between them, the zero with its ±. It turns with the drawn
 *  crank under a fixed pointer, once a zero says how. */
export function DegreeWheel() {
  const { view, side, drawn } = useBench()
  const { state, sheet } = view
  const { ref, width, height } = useSize()
  const disc = useRef<SVGGElement>(null)
  const r = Math.max(60, Math.min(width, height) / 2 - 46)
  const zeroDeg = state.zero?.wheelDeg ?? 0
  // Seen from the side stood at, running turns the disc one way; numbers that rise as it runs go the other way round it.
  const runs = (sheet.running?.value ?? 'clockwise') === 'clockwise' ? 1 : -1
  const turn = runs * (side === 'timing' ? 1 : -1)
  const onDisc = (normalDeg: number) => -turn * normalDeg

  useEffect(() => {
    const draw = () => {
      const reading = zeroDeg + drawn.get()
      disc.current?.setAttribute('transform', `rotate(${turn * reading})`)
    }
    draw()
    return drawn.subscribe(draw)
  }, [drawn, zeroDeg, turn])

  const last = state.live.findLast(
    (entry) => pairOf(entry) && state.zeros.frameOf.get(entry.id) === state.zeros.frames.length - 1,
  )
  const pair = last && pairOf(last)
  const scale = state.degreeWheel ?? DEFAULT_SCALE
  const ticks = Array.from({ length: 72 }, (_, i) => i * 5)
  const at = (normalDeg: number) => `rotate(${onDisc(normalDeg)})`
  return (
    <div ref={ref} className="degree-wheel">
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={
          state.zero ? `Degree wheel, zero at ${wheelAsSeen(zeroDeg, state, 2)}` : 'Degree wheel, zero not found yet'
        }
      >
        <g transform={`translate(${width / 2} ${height / 2 + 10})`}>
          <g ref={disc}>
            <circle r={r} className="wheel-disc" />
            {ticks.map((deg) => (
              <g key={deg} transform={at(deg)}>
                <path d={`M0 ${-r}V${-r + (deg % 30 === 0 ? 16 : deg % 10 === 0 ? 11 : 6)}`} className="wheel-tick" />
                {deg % 30 === 0 && (
                  <text y={-r + 32} textAnchor="middle" className="wheel-number">
                    {tickWords(deg, scale)}
                  </text>
                )}
              </g>
            ))}
            {pair?.degs.map((deg, i) => (
              <g key={i} transform={at(deg)}>
                <path d={`M0 0V${-r}`} className="contact-line" />
                <text y={-r * 0.52} x="6" className="contact-words" transform={`rotate(-90 0 ${-r * 0.52})`}>
                  {pair.words[i]} {wheelAsSeen(wrapTo360(deg), state)}
                </text>
              </g>
            ))}
            {state.zero && <ZeroOnWheel zero={state.zero} r={r} transform={at(state.zero.wheelDeg)} />}
            <circle r="7" className="wheel-hub" />
          </g>
          <path d={`M0 ${-r - 3}l-9 -20h18z`} className="pointer" />
          <text y={-r - 28} textAnchor="middle" className="wheel-number">
            pointer
          </text>
        </g>
      </svg>
    </div>
  )
}

/** The zero with its ± as a wedge. */
const ZeroOnWheel = ({
  zero,
  r,
  transform,
}: {
  readonly zero: NonNullable<JobState['zero']>
  readonly r: number
  readonly transform: string
}) => (
  <g transform={transform}>
    <path d={wedge(r, Math.max(0.4, zero.plusMinusDeg))} className="zero-wedge" />
    <path d={`M0 ${-r * 0.3}V${-r - 4}`} className={zero.proved ? 'zero-line proved-line' : 'zero-line'} />
    <text y={-r * 0.36} textAnchor="middle" className="zero-words">
      TDC
    </text>
  </g>
)

function wedge(r: number, halfDeg: number): string {
  const [x, y] = [r * Math.sin((halfDeg * Math.PI) / 180), -r * Math.cos((halfDeg * Math.PI) / 180)]
  return `M0 0L${-x} ${y}A${r} ${r} 0 0 1 ${x} ${y}z`
}

/** The number that stands on the wheel at a place, without its words. */
function tickWords(deg: number, scale: WheelScale): string {
  if (scale.kind === 'full') return String(scale.rises === 'running' ? deg : wrapTo360(-deg))
  return showOnScale(deg, scale, 0).replace(/°.*| mm$/, '')
}
