import { planeSign, type Side } from '@link-count/core/units'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { Hit } from './Hit'
import './CylindersDrawing.css'

const R = 130

/** The rim of the crank with its marks where they claim to stand, the pointer at the top, the crank at its first TDC. Those that claim nothing stand inside. */
export function RimDrawing({ side }: { readonly side: Side }) {
  const { sheet } = useSheetEditor()
  const turns = planeSign(sheet.running?.value ?? 'clockwise') * (side === 'timing' ? 1 : -1)
  const bare = sheet.rimMarks.filter(({ claimDeg }) => !claimDeg)
  return (
    <div className="rim-drawing">
      {bare.length > 0 && <p className="soft">Inside: marks whose place on the rim nobody wrote down.</p>}
      <svg viewBox="-220 -190 440 380" role="group" aria-label={`The rim, seen from the ${sheet.sides[side]}`}>
        <Hit partKey={partKey('rim')} label="The rim">
          <circle className="rim-line" r={R} />
          <circle className="hit" r={R} />
        </Hit>
        <path className="mark" d="M0 -148L-9 -166L9 -166z" />
        {sheet.rimMarks.map((mark) => {
          const claim = mark.claimDeg?.value
          // Crank degrees after TDC come to the pointer later: they stand behind it, against the running direction.
          const deg = claim === undefined ? 0 : 90 - turns * claim
          const at =
            ((claim === undefined ? -90 + (bare.indexOf(mark) - (bare.length - 1) / 2) * 40 : deg) * Math.PI) / 180
          const r = claim === undefined ? 60 : R
          const [x, y] = [Math.cos(at) * r, -Math.sin(at) * r]
          return (
            <Hit key={mark.id} partKey={partKey('rimMark', mark.id)} label={mark.name}>
              <circle className="hit" cx={x} cy={y} r="24" />
              <line
                className="rim-mark"
                x1={x - 10 * Math.cos(at)}
                y1={y + 10 * Math.sin(at)}
                x2={x + 10 * Math.cos(at)}
                y2={y - 10 * Math.sin(at)}
              />
              <text
                className="rim-name"
                x={Math.cos(at) * (r - 24)}
                y={-Math.sin(at) * (r - 30) + 5}
                textAnchor={anchorOf(Math.cos(at))}
              >
                {mark.name}
              </text>
            </Hit>
          )
        })}
      </svg>
    </div>
  )
}

/** Names stand inside the rim, away from it. */
const anchorOf = (cos: number) => (cos > 0.4 ? 'end' : cos < -0.4 ? 'start' : 'middle')
