import type { Bolt, BoltGroup } from '@link-count/core/model'
import { boltName } from '../wording'
import './BoltPattern.css'

/** How a bolt is drawn: its place in the order, how many times round it is through, and whether it is the one in hand. */
export interface DrawnBolt {
  readonly place: number
  readonly through: number
  readonly of: number
  readonly inHand: boolean
}

/** Half of a pattern as it is drawn, and a bolt on it. */
const [HALF, HEAD, RING] = [150, 17, 25]
const EDGE = 1.2 * HALF

/** The bolts of a group as they lie, each filled as far as it is through; the one in hand stands out. */
export function BoltPattern({
  group,
  drawn,
  label,
  square = false,
  onTouch,
}: {
  readonly group: Pick<BoltGroup, 'bolts' | 'name'>
  readonly drawn: (bolt: Bolt) => DrawnBolt
  readonly label: string
  /** As high as it is wide, so that bolts can be put down anywhere. */
  readonly square?: boolean
  readonly onTouch?: ((bolt: Bolt) => void) | undefined
}) {
  const lies = square ? EDGE : HALF * Math.max(0.25, ...group.bolts.map(({ y }) => Math.abs(y))) + 36
  return (
    <svg
      className="bolt-pattern"
      viewBox={`${-EDGE} ${-lies} ${2 * EDGE} ${2 * lies}`}
      role={onTouch ? 'group' : 'img'}
      aria-label={label}
    >
      {group.bolts.map((bolt) => {
        const { place, through, of, inHand } = drawn(bolt)
        const name = boltName(group, bolt.id)
        const said = `${place}. to be tightened${name === String(place) ? '' : `, stamped ${name}`}, ${through} of ${of} done${inHand ? ', in hand' : ''}`
        const touch = onTouch && (() => onTouch(bolt))
        return (
          <g
            key={bolt.id}
            transform={`translate(${HALF * bolt.x} ${-HALF * bolt.y})`}
            className={inHand ? 'bolt in-hand' : through === of ? 'bolt done' : 'bolt'}
            {...(touch
              ? {
                  role: 'button',
                  tabIndex: 0,
                  'aria-label': said,
                  onClick: touch,
                  onKeyDown: (event: React.KeyboardEvent) => {
                    if (event.key !== 'Enter' && event.key !== ' ') return
                    event.preventDefault()
                    event.stopPropagation()
                    touch()
                  },
                }
              : {})}
          >
            <circle r={RING} className="bolt-hit" />
            <path d={HEXAGON} className="bolt-head" />
            {of > 0 && through > 0 && <path d={arc(through / of)} className="bolt-through" />}
            <text className="bolt-place" textAnchor="middle" dominantBaseline="central">
              {place}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

const HEXAGON = `M ${[0, 60, 120, 180, 240, 300]
  .map((deg) => `${HEAD * Math.sin((deg * Math.PI) / 180)} ${-HEAD * Math.cos((deg * Math.PI) / 180)}`)
  .join(' L ')} Z`

/** So much of the way round, clockwise from the top. */
function arc(share: number): string {
  if (share >= 1) return `M 0 ${-RING} A ${RING} ${RING} 0 1 1 -0.01 ${-RING} Z`
  const rad = 2 * Math.PI * share
  return `M 0 ${-RING} A ${RING} ${RING} 0 ${share > 0.5 ? 1 : 0} 1 ${RING * Math.sin(rad)} ${-RING * Math.cos(rad)}`
}
