import { Button, TextInput } from '@mantine/core'
import { useState } from 'react'
import { toldApartIn } from '@link-count/core/lookAlikes'
import { goesBefore, removalsOf, talliesOf, talliesOpen, toRefit, type Removal } from '@link-count/core/removals'
import type { EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { openWaits } from '@link-count/core/waits'
import { Fold } from '../../../ui/Fold'
import { inSentence, putBackWords, toldApartLine, upperFirst } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { Pictures } from '../pictures/Pictures'
import { FoundBefore } from './FoundBefore'
import { SmallParts } from './SmallParts'
import './removals.css'

/** The same as a step of its own. */
export const GettingBackStep = ({ step }: { readonly step: Step }) =>
  removalsOf(useBench().view.state).length === 0 ? (
    <p className="soft">Nothing was written down as taken off in this job.</p>
  ) : (
    <GettingBack step={step} />
  )

/** What came off, turned round: the next that goes back, and the others after it. */
export function GettingBack({ step }: { readonly step: Step }) {
  const { state } = useBench().view
  const removals = removalsOf(state)
  const [chosen, setChosen] = useState<string>()
  const order = toRefit(removals)
  const told = toldApartIn(state)
  const short = talliesOpen(talliesOf(state))
  if (removals.length === 0) return null
  const next = order.find(({ entry }) => entry.removalId === chosen) ?? order[0]
  return (
    <Fold title="Getting back" note={order.length === 0 ? 'everything is back' : `${order.length} to go back`} open>
      {next && (
        <GoesBack key={next.entry.id} step={step} removal={next} before={goesBefore(removals, next.entry.removalId)} />
      )}
      {order.length > 1 && (
        <ol className="removals">
          {order.map(({ entry }) => (
            <li key={entry.id} aria-current={entry.id === next?.entry.id || undefined}>
              <button type="button" className="link" onClick={() => setChosen(entry.removalId)}>
                {entry.what}
                {entry.bag === undefined ? '' : `, bag ${entry.bag}`}
              </button>
            </li>
          ))}
        </ol>
      )}
      {short.map(({ what, where, out, fitted }) => (
        <p key={what + where} className="warn">
          {what}
          {where ? `, ${where}` : ''}: {out} came out, {fitted} fitted.
        </p>
      ))}
      {told.map((one) => (
        <p key={one.id}>{upperFirst(toldApartLine(one))}.</p>
      ))}
      <SmallParts step={step} />
    </Fold>
  )
}

const OTHERWISE: readonly EntryOf<'putBack'>['as'][] = ['turned', 'another', 'leftOff']

/** One thing that goes back: how it was, what goes on before it, and how it went. */
function GoesBack({
  step,
  removal: { entry },
  before,
}: {
  readonly step: Step
  readonly removal: Removal
  readonly before: readonly Removal[]
}) {
  const { say, view } = useBench()
  const waits = entry.couplingPlug === true && openWaits(view.state).some((one) => one.entry.holds === 'couplingPlugs')
  const [reason, setReason] = useState('')
  const [otherwise, setOtherwise] = useState(false)
  const write = (as: EntryOf<'putBack'>['as']) =>
    void say({ kind: 'putBack', removalId: entry.removalId, as, reason: reason.trim(), stepId: step.id })
  return (
    <div className="goes-back" role="group" aria-label={`Goes back: ${entry.what}`}>
      <p className="bolt-figure">
        <strong>{entry.what}</strong>
        {entry.bag !== undefined && ` from bag ${entry.bag}`}
      </p>
      {entry.belongs && <p>Belongs: {entry.belongs}.</p>}
      {entry.lies && (
        <p className={entry.fitsTwoWays ? 'warn' : undefined}>
          {entry.fitsTwoWays ? 'It fits two ways. As found: ' : 'As found: '}
          {entry.lies}.
        </p>
      )}
      <FoundBefore what={entry.what} />
      {before.length > 0 && (
        <p className="warn" role="alert">
          Not back yet, and it came off after this one: {before.map((one) => inSentence(one.entry.what)).join(', ')}.
          That goes on before it.
        </p>
      )}
      {waits && (
        <p className="warn" role="alert">
          The wait for the pressure of the coupling is not over: no plug goes back before that.
        </p>
      )}
      <Pictures of={{ what: 'removal', id: entry.removalId }} name={inSentence(entry.what)} stepId={step.id} inList />
      <Button variant="filled" fullWidth disabled={waits} onClick={() => write('same')}>
        {entry.fitsTwoWays ? 'Back, the same way round' : 'Back as it was'}
      </Button>
      <Button variant="default" fullWidth aria-expanded={otherwise} onClick={() => setOtherwise(!otherwise)}>
        Not as it was
      </Button>
      {otherwise && (
        <>
          <TextInput
            label="Why it is not as it was"
            maxLength={300}
            value={reason}
            onChange={(event) => setReason(event.currentTarget.value)}
          />
          {OTHERWISE.map((as) => (
            <Button
              key={as}
              variant="default"
              fullWidth
              disabled={reason.trim() === '' || (waits && as !== 'leftOff')}
              onClick={() => write(as)}
            >
              {putBackWords[as]}
            </Button>
          ))}
        </>
      )}
    </div>
  )
}
