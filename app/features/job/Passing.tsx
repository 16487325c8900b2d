import { cycleEvents, eventsPassed } from '@link-count/core/runSheet'
import { camshaftNow } from '@link-count/core/ledger'
import { wrapToCycle } from '@link-count/core/units'
import { itemSentence, turnWords } from '../../ui/wording'
import { useBench } from './JobContext'
import { eventWords } from './turnPlan'
import './NextCylinder.css'

/** On the way from where the crank stands to a place of the cycle: what it comes by, and what is held meanwhile. */
export function Passing({ toDeg }: { readonly toDeg: number }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const from = state.crank.deg
  const passed =
    from === undefined
      ? []
      : eventsPassed(cycleEvents(sheet, state), {
          fromDeg: from,
          deg: wrapToCycle(toDeg - from, sheet.cycleDeg),
          cycleDeg: sheet.cycleDeg,
        })
  const held = sheet.shafts
    .filter(({ id, kind }) => kind === 'cam' && camshaftNow(sheet, state.stand, id).is === 'held')
    .map(({ name }) => name)
    .concat(state.stand.register.filter(({ item }) => item === 'heldTaut').map((item) => itemSentence(item, sheet)))
  return (
    <>
      {passed.length > 0 && (
        <>
          <p>That passes:</p>
          <ol className="passed">
            {passed.map(({ event, aheadDeg }, i) => (
              <li key={i}>
                {eventWords(event, view)} <span className="soft">after {turnWords(aheadDeg, sheet, side)}</span>
              </li>
            ))}
          </ol>
        </>
      )}
      {held.length > 0 && <p>Held meanwhile: {held.join(', ')}.</p>}
    </>
  )
}
