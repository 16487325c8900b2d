import { Button, TextInput } from '@mantine/core'
import { useState } from 'react'
import { judgeWait, openWaits, type Wait, type WaitStands } from '@link-count/core/waits'
import type { EntryOf } from '@link-count/core/model'
import { Fold } from '../../../ui/Fold'
import { useDraft, WordsInput } from '../../../ui/fields'
import { formatClock, upperFirst, waitFromWords, waitHoldsWords, waitNotKnownWords } from '../../../ui/wording'
import { useClocks } from '../../../ui/waits/useClocks'
import { useBench } from '../JobContext'

/** The waits of this job that hold something still, at the top of each step. */
export function WaitsHere() {
  const { state } = useBench().view
  return openWaits(state).map((wait) => <OneWait key={wait.entry.id} wait={wait} />)
}

function OneWait({ wait }: { readonly wait: Wait }) {
  const { view, say } = useBench()
  const { entry } = wait
  const lastLineAt = Math.max(...view.state.live.map(({ at }) => Date.parse(at)))
  const stands = judgeWait(wait, { ...useClocks(), lastLineAt })
  const ends = (by: EntryOf<'waitEnds'>['by'], more: Partial<EntryOf<'waitEnds'>> = {}) =>
    void say({ kind: 'waitEnds', waitId: entry.waitId, by, reason: '', role: '', source: '', ...more })
  return (
    <div className={stands.is === 'over' ? 'result' : 'warn'} role="group" aria-label="A wait">
      <p>
        <strong>{upperFirst(entry.where || waitHoldsWords[entry.holds])}.</strong> {waitFromWords[entry.holds]}{' '}
        {formatClock(entry.beganAt)}.
      </p>
      <Stands stands={stands} ends={ends} />
      {stands.is === 'never' ? <ByRule ends={ends} /> : stands.is !== 'over' && <PassOver ends={ends} />}
    </div>
  )
}

type Ends = (by: EntryOf<'waitEnds'>['by'], more?: Partial<EntryOf<'waitEnds'>>) => void

function Stands({ stands, ends }: { readonly stands: WaitStands; readonly ends: Ends }) {
  switch (stands.is) {
    case 'running':
      return (
        <p>
          <span className="reading">{minutesWords(stands.leftMs)}</span> to go.
        </p>
      )
    case 'over':
      return (
        <>
          <p>The wait is over by both clocks.</p>
          <Button variant="filled" onClick={() => ends('clocks')}>
            Write it down: the wait is over
          </Button>
        </>
      )
    case 'askWatch':
    case 'notKnown':
      return (
        <>
          <p>
            {stands.is === 'notKnown' ? waitNotKnownWords[stands.why] : 'The page was closed meanwhile.'} Is it past{' '}
            {formatClock(new Date(stands.until).toISOString())} by your watch?
          </p>
          <Button variant="default" onClick={() => ends('watch')}>
            It is past {formatClock(new Date(stands.until).toISOString())} by my watch
          </Button>
        </>
      )
    case 'never':
      return <p>An alarm rang, or nobody knows: no time ends this wait. Only the maker’s rule does.</p>
    case 'ended':
      return null
  }
}

const minutesWords = (ms: number) =>
  `${Math.floor(ms / 60_000)}:${String(Math.floor((ms % 60_000) / 1000)).padStart(2, '0')}`

/** After an alarm: the maker's rule, by whose word, and where it stands. */
function ByRule({ ends }: { readonly ends: Ends }) {
  const { job } = useBench().view
  const rule = useDraft(`${job.id}:wait:rule`)
  const role = useDraft(`${job.id}:wait:role`)
  const source = useDraft(`${job.id}:wait:source`)
  const all = [rule, role, source]
  const field = (label: string, draft: typeof rule) => <WordsInput label={label} maxLength={300} of={draft} />
  return (
    <div className="stack">
      {field('The maker’s rule', rule)}
      {field('By whose word, as a role', role)}
      {field('Where it stands: book and page', source)}
      <Button
        variant="default"
        disabled={all.some(({ text }) => text.trim() === '')}
        onClick={() => {
          ends('rule', { reason: rule.text.trim(), role: role.text.trim(), source: source.text.trim() })
          for (const draft of all) draft.drop()
        }}
      >
        It is over by that rule
      </Button>
    </div>
  )
}

/** Passed over, and never without a reason. */
function PassOver({ ends }: { readonly ends: Ends }) {
  const [reason, setReason] = useState('')
  return (
    <Fold title="Pass the wait over, with a reason">
      <TextInput
        label="Why it is not waited for"
        maxLength={300}
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
      />
      <Button
        variant="default"
        disabled={reason.trim() === ''}
        onClick={() => ends('passedOver', { reason: reason.trim() })}
      >
        Pass it over
      </Button>
    </Fold>
  )
}
