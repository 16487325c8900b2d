import type { Hand } from '@link-count/core/units'
import './Cap.css'

const [SIZE, RING, LABEL] = [260, 82, 108]

/** A cap, looked at: its segments in the order in which the rotor comes to them, the first at the top. */
export function Cap({
  leads,
  names,
  hand,
}: {
  readonly leads: readonly { readonly cylinderId: string; readonly ownDeg: number }[]
  readonly names: (id: string) => string
  /** Which way it runs, seen at the cap. */
  readonly hand: Hand | undefined
}) {
  const sign = hand === 'anticlockwise' ? -1 : 1
  const at = (deg: number, radius: number) => {
    const rad = ((sign * deg - 90) * Math.PI) / 180
    return [SIZE / 2 + radius * Math.cos(rad), SIZE / 2 + radius * Math.sin(rad)] as const
  }
  const said = leads.map(({ cylinderId }) => names(cylinderId)).join(' ')
  const [headX, headY] = at(34, RING - 26)
  const [fromX, fromY] = at(4, RING - 26)
  return (
    <figure className="cap">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        role="img"
        aria-label={`Leads in the order in which the rotor comes to them: ${said}`}
      >
        <circle cx={SIZE / 2} cy={SIZE / 2} r={RING} className="cap-ring" />
        <path
          d={`M ${fromX} ${fromY} A ${RING - 26} ${RING - 26} 0 0 ${sign > 0 ? 1 : 0} ${headX} ${headY}`}
          className="cap-way"
          markerEnd="url(#cap-head)"
        />
        <defs>
          <marker id="cap-head" markerWidth="8" markerHeight="8" refX="4" refY="4" orient="auto">
            <path d="M 0 0 L 8 4 L 0 8 z" className="cap-head" />
          </marker>
        </defs>
        {leads.map(({ cylinderId, ownDeg }, i) => {
          const [x, y] = at(ownDeg, RING)
          const [lx, ly] = at(ownDeg, LABEL)
          return (
            <g key={cylinderId}>
              <circle cx={x} cy={y} r={i === 0 ? 9 : 6} className={i === 0 ? 'cap-first' : 'cap-segment'} />
              <text x={lx} y={ly} className="cap-name" textAnchor="middle" dominantBaseline="central">
                {names(cylinderId)}
              </text>
            </g>
          )
        })}
      </svg>
      <figcaption className="soft">
        {hand ? `Seen at its cap it runs ${hand}.` : 'Which way it runs is not on the build sheet: drawn clockwise.'}{' '}
        The large one is where it points as cylinder {names(leads[0]?.cylinderId ?? '')} fires.
      </figcaption>
    </figure>
  )
}
