import { Checkbox } from '@mantine/core'
import type { Arrival, BuildSheet } from '@link-count/core/model'
import { ASKED, arrivalParts, arrivalsOf, isTold, type ArrivalPart } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { arrivalWords, inSentence, nounsOfAll } from '../../ui/wording'

/** How it came in, and, where that is not told by it alone, which parts were off or out, one by one. */
export function ArrivalChoice({
  sheet,
  arrival,
  off,
  onArrival,
  onOff,
}: {
  readonly sheet: BuildSheet
  readonly arrival: Arrival
  readonly off: ReadonlySet<string>
  readonly onArrival: (arrival: Arrival) => void
  readonly onOff: (id: string, isOff: boolean) => void
}) {
  const noun = nounsOfAll(sheet.loops)
  const asked = arrivalParts(sheet).filter(({ kind }) => ASKED[arrival].includes(kind))
  const missing = !isTold(sheet, arrival, off)
  return (
    <section aria-labelledby="arrival-label">
      <h2 id="arrival-label">How did it come in?</h2>
      <div className="arrivals" role="radiogroup" aria-labelledby="arrival-label">
        {arrivalsOf(sheet).map((one) => (
          <label key={one} className={one === arrival ? 'arrival chosen' : 'arrival'}>
            <input type="radio" name="arrival" checked={one === arrival} onChange={() => onArrival(one)} />
            {arrivalWords[one](noun).name}
          </label>
        ))}
      </div>
      <p className="soft">{arrivalWords[arrival](noun).help}</p>
      {asked.length > 1 && (
        <fieldset className="arrival-parts">
          <legend className="field-label">Tick what is off or out</legend>
          {asked.map((part) => (
            <Checkbox
              key={part.id}
              label={partWords(part, sheet)}
              checked={off.has(part.id)}
              onChange={(event) => onOff(part.id, event.currentTarget.checked)}
            />
          ))}
        </fieldset>
      )}
      {missing && (
        <p className="field-error" role="alert">
          Say which: tick one at least.
        </p>
      )}
    </section>
  )
}

export function partWords({ kind, id }: ArrivalPart, sheet: BuildSheet): string {
  const parts = partsOf(sheet)
  if (kind === 'loop') return `${parts.loop(id)?.name ?? id} off`
  if (kind === 'camshaft') return `${parts.shaft(id)?.name ?? id} out`
  const bank = sheet.banks.find((one) => one.id === id)
  return sheet.banks.length > 1 ? `Head off: ${inSentence(bank?.name ?? id)}` : 'Head off'
}
