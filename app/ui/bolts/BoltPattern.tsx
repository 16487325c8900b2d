import type { Bolt, BoltGroup } from '@link-count/core/model'
import { boltName } from '../wording'
import './BoltPattern.css'

/** How a bolt is drawn: its place in the order, how many times round it is through, and whether it is the one in hand. */
export interface DrawnBolt {
  readonly place: number
  readonly through: number
  readonly of: number
  readonly inHand: boolean
  /** How far the one in hand is turned from its paint line; minus is anticlockwise. */
  readonly turnDeg?: number | undefined
}

/** Half of a pattern as it is drawn, and a bolt on it. */
const [HALF, HEAD, RING] = [150, 17, 25]
const EDGE = 1.2 * HALF
/** As wide as a gloved finger wants. */
const HIT = 32

/** The bolts of a group as they lie, each filled as far as it is through; the one in hand stands out. */
export function BoltPattern({
  group,
  drawn,
  label,
  square = false,
  onTouch,
}: {
  readonly group: BoltGroup
  readonly drawn: (bolt: Bolt) => DrawnBolt
  readonly label: string
  /** As high as it is wide, so that bolts can be put down anywhere. */
  readonly square?: boolean
  readonly onTouch?: ((bolt: Bolt) => void) | undefined
}) {
  const lies = square ? EDGE : HALF * Math.max(0.25, ...group.bolts.map(({ y }) => Math.abs(y))) + 46
  return (
    <svg
      className="bolt-pattern"
      viewBox={`${-EDGE} ${-lies} ${2 * EDGE} ${2 * lies}`}
      role={onTouch ? 'group' : 'img'}
      aria-label={label}
    >
      <Part group={group} high={lies - 8} />
      {group.bolts.map((bolt) => {
        const { place, through, of, inHand, turnDeg } = drawn(bolt)
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
            <circle r={HIT} className="bolt-hit" />
            {inHand && <circle r={RING} className="bolt-ring" />}
            <path d={HEXAGON} className="bolt-head" />
            {of > 0 && through > 0 && <path d={arc(through / of)} className="bolt-through" />}
            {inHand && turnDeg !== undefined && <Turn deg={turnDeg} />}
            <text className="bolt-place" textAnchor="middle" dominantBaseline="central">
              {place}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

/** The outline of what they hold, so that they do not float. */
const Part = ({ group: { laid }, high }: { readonly group: BoltGroup; readonly high: number }) =>
  laid === 'ring' ? (
    <circle r={EDGE - 8} className="bolt-part" />
  ) : (
    <rect x={8 - EDGE} y={-high} width={2 * EDGE - 16} height={2 * high} rx={24} className="bolt-part" />
  )

const FOLLOW = 34

/** How far it is turned, to be followed on it: from where its paint line stands to where that comes. */
function Turn({ deg }: { readonly deg: number }) {
  const at = (by: number, radius: number) => {
    const rad = (by * Math.PI) / 180
    return `${radius * Math.sin(rad)} ${-radius * Math.cos(rad)}`
  }
  const on = Math.sign(deg) * Math.min(Math.abs(deg), 359)
  return (
    <>
      <path d={`M ${at(0, HEAD)} L ${at(0, FOLLOW + 8)}`} className="bolt-angle-from" />
      <path
        d={`M ${at(0, FOLLOW)} A ${FOLLOW} ${FOLLOW} 0 ${Math.abs(on) > 180 ? 1 : 0} ${on < 0 ? 0 : 1} ${at(on, FOLLOW)}`}
        className="bolt-angle"
      />
      <path d={`M ${at(deg, HEAD)} L ${at(deg, FOLLOW + 8)}`} className="bolt-angle-to" />
    </>
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
