import { Button, SegmentedControl } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { USUAL_WAIT } from '@link-count/core/waits'
import { Fold } from '../../../ui/Fold'
import { parseWhole, useDraft, useField, wholeWords, type Field, WordsInput } from '../../../ui/fields'
import { waitFromWords } from '../../../ui/wording'
import { useWorkshop } from '../../../ui/WorkshopContext'
import { useBench } from '../JobContext'
import { readClock, type ClockError } from './readClock'

type Holds = EntryOf<'wait'>['holds']

/** A wait begun: what it holds, from when, how long; of a crankcase an alarm is asked first. */
export function BeginWait({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { now } = useWorkshop()
  const [holds, setHolds] = useState<Holds>('crankcase')
  const [alarm, setAlarm] = useState('')
  const [day, setDay] = useState('today')
  const key = (name: string) => `${view.job.id}:wait:${holds}:${name}`
  const from = useField(key('from'), (text) => readClock(text, now(), day === 'yesterday'))
  const minutes = useField(key('minutes'), parseWhole(entryLimits('wait', 'minutes')), String(USUAL_WAIT[holds]))
  const where = useDraft(key('where'))
  const asksAlarm = holds === 'crankcase'
  const begin = () => {
    from.ask()
    minutes.ask()
    if (from.value === undefined || minutes.value === undefined || (asksAlarm && alarm === '')) return
    void say(
      {
        kind: 'wait',
        waitId: nanoid(8),
        holds,
        where: where.text.trim(),
        beganAt: from.value,
        minutes: minutes.value,
        ...(asksAlarm ? { alarm: alarm as NonNullable<EntryOf<'wait'>['alarm']> } : {}),
        typed: [{ field: 'beganAt', text: from.said }],
        stepId: step.id,
      },
      [from, minutes, where],
    )
  }
  return (
    <Fold title="A wait before something is opened" note="20 or 15 minutes">
      <SegmentedControl
        fullWidth
        aria-label="It holds"
        value={holds}
        onChange={(value) => setHolds(value as Holds)}
        data={[
          { value: 'crankcase', label: 'Crankcase' },
          { value: 'couplingPlugs', label: 'Coupling plugs' },
          { value: 'other', label: 'Other' },
        ]}
      />
      {asksAlarm && <Alarm alarm={alarm} onAlarm={setAlarm} />}
      <From holds={holds} from={from} day={day} onDay={setDay} />
      <WordsInput
        label="How long, minutes"
        description="Common practice: 20 for a crankcase, 15 for a coupling. The maker’s own figure comes first."
        inputMode="numeric"
        maxLength={4}
        of={minutes}
        onBlur={minutes.leave}
        error={minutes.error && wholeWords(minutes.error)}
      />
      {holds === 'other' && <WordsInput label="What must wait" maxLength={200} of={where} />}
      <Button variant="filled" fullWidth disabled={asksAlarm && alarm === ''} onClick={begin}>
        Begin the wait
      </Button>
    </Fold>
  )
}

/** Asked before anything else: after an alarm no time ends it. */
const Alarm = ({ alarm, onAlarm }: { readonly alarm: string; readonly onAlarm: (alarm: string) => void }) => (
  <>
    <SegmentedControl
      fullWidth
      aria-label="A bearing or oil-mist alarm rang"
      value={alarm}
      onChange={onAlarm}
      data={[
        { value: 'no', label: 'No alarm rang' },
        { value: 'rang', label: 'An alarm rang' },
        { value: 'notKnown', label: 'Not known' },
      ]}
    />
    {alarm === '' && (
      <p className="soft">First: did a bearing or oil-mist alarm ring? Then 20 minutes never end the wait.</p>
    )}
  </>
)

const From = ({
  holds,
  from,
  day,
  onDay,
}: {
  readonly holds: Holds
  readonly from: Field<string, ClockError>
  readonly day: string
  readonly onDay: (day: string) => void
}) => (
  <div className="row">
    <WordsInput
      label={waitFromWords[holds]}
      description="Hours and minutes, as on a watch."
      placeholder="10:05"
      maxLength={8}
      of={from}
      onBlur={from.leave}
      error={from.error && clockErrorWords[from.error.code]}
    />
    <SegmentedControl
      aria-label="On which day"
      value={day}
      onChange={onDay}
      data={[
        { value: 'today', label: 'Today' },
        { value: 'yesterday', label: 'Yesterday' },
      ]}
    />
  </div>
)

const clockErrorWords = {
  empty: 'Nothing is written here yet.',
  notATime: 'Write it as on a watch: 10:05.',
  stillToCome: 'That time has still to come today. Was it yesterday?',
} as const
