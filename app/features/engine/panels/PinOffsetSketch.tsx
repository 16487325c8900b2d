import type { Hand } from '@link-count/core/units'
import './PinOffsetSketch.css'

/** Crank, rod and piston a little after TDC, the offset drawn far larger than it is, so that its side can be checked by eye. */
export function PinOffsetSketch({
  stands,
  running,
}: {
  readonly stands: 'left' | 'right'
  readonly running: Hand | undefined
}) {
  const way = running === 'anticlockwise' ? -1 : 1
  const pinX = stands === 'right' ? 14 : -14
  const crankpin = { x: way * 22, y: 96 }
  const side = way === 1 ? 'right' : 'left'
  return (
    <svg
      className="pin-sketch"
      viewBox="-70 0 140 180"
      role="img"
      aria-label={`The wrist pin stands to the ${stands}; after TDC the crankpin goes to the ${side}: ${stands === side ? 'plus' : 'minus'}`}
    >
      <path d="M-40 4V80M40 4V80" className="sketch-bore" />
      <rect x="-37" y="14" width="74" height="48" rx="4" className="sketch-piston" />
      <path d="M0 4V150" className="sketch-axis" />
      <circle cx="0" cy="132" r="44" className="sketch-circle" />
      <path d={`M0 132L${crankpin.x} ${crankpin.y}L${pinX} 42`} className="sketch-rod" />
      <circle cx={pinX} cy="42" r="6" className="sketch-pin" />
      <circle cx={crankpin.x} cy={crankpin.y} r="7" className="sketch-crank" />
      <circle cx="0" cy="132" r="5" className="sketch-crank" />
      <path d={`M${-way * 20} 158A34 34 0 0 ${way === 1 ? 1 : 0} ${-way * 33} 124`} className="sketch-arrow" />
      <path d={`M${-way * 33} 124l${way * -6} 9M${-way * 33} 124l${way * 9} 7`} className="sketch-arrow" />
    </svg>
  )
}
