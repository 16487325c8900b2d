import { fixed, wrapToSigned } from '@link-count/core/units'
import { useDrawnDeg } from '../../../store'
import { useBench } from '../JobContext'

const doubts = { proven: 'proven', reckoned: 'reckoned, not proven', unknown: 'not known' }

/** The drawn crank as a large number, and the engine's own place under it. */
export function CrankReadout() {
  const { view, drawn } = useBench()
  const deg = useDrawnDeg(drawn)
  const { crank, zero } = view.state
  const away = crank.deg === undefined ? undefined : wrapToSigned(deg - crank.deg, view.sheet.cycleDeg)
  return (
    <div className="readout">
      <div className="reading big">{fixed(deg, 1)}°</div>
      <p className="soft">
        {away === undefined
          ? 'drawn; the engine’s place is not known'
          : Math.abs(away) < 0.05
            ? `the engine stands here, ${doubts[crank.doubt]}${zero ? `, ± ${fixed(2 * zero.sigmaDeg, 2)}°` : ''}`
            : `drawn; the engine stands at ${fixed(crank.deg ?? 0, 1)}°, ${doubts[crank.doubt]}`}
      </p>
    </div>
  )
}
