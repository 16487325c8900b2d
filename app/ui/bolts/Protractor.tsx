import './BoltPattern.css'

const [SIZE, R] = [220, 84]

/** How far a bolt is turned, to be followed beside it: from its paint line to where that comes. */
export function Protractor({ deg, leftHand }: { readonly deg: number; readonly leftHand: boolean }) {
  const sign = leftHand ? -1 : 1
  const at = (by: number, radius: number) => {
    const rad = ((sign * by - 90) * Math.PI) / 180
    return `${SIZE / 2 + radius * Math.cos(rad)} ${SIZE / 2 + radius * Math.sin(rad)}`
  }
  const on = Math.min(deg, 359.9)
  return (
    <svg
      className="protractor"
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label={`${deg}° ${leftHand ? 'anticlockwise' : 'clockwise'} from where its paint line stands`}
    >
      {Array.from({ length: 12 }, (_, i) => (
        <path key={i} d={`M ${at(30 * i, R - 6)} L ${at(30 * i, R + 6)}`} className="protractor-tick" />
      ))}
      <path d={`M ${SIZE / 2} ${SIZE / 2} L ${at(0, R + 12)}`} className="protractor-from" />
      <path
        d={`M ${at(0, R)} A ${R} ${R} 0 ${on > 180 ? 1 : 0} ${leftHand ? 0 : 1} ${at(on, R)}`}
        className="protractor-way"
      />
      <path d={`M ${SIZE / 2} ${SIZE / 2} L ${at(deg, R + 12)}`} className="protractor-to" />
      <text x={SIZE / 2} y={SIZE / 2 + 26} textAnchor="middle" className="protractor-words">
        {deg}°{deg > 360 ? ` (${Math.floor(deg / 360)} full turn and ${deg % 360}°)` : ''}
      </text>
    </svg>
  )
}
