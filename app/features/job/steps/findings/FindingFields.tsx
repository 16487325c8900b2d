import { Button, NativeSelect } from '@mantine/core'
import { useState } from 'react'
import { alwaysRenewed, renewedWith } from '@link-count/core/findings'
import { allOf } from '@link-count/core/ledger'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { LengthInput, useDraft, useLengthField, WordsInput } from '../../../../ui/fields'
import { formatMm } from '@link-count/core/units'
import { findingVerdicts, inSentence, lookedAtWords, seenOn } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Pictures } from '../../pictures/Pictures'
import './FindingFields.css'

type Verdict = EntryOf<'finding'>['verdict']

/** What was seen on a part, and what is to be done with it: one tap where it goes on. */
export function FindingFields({
  step,
  part,
  id,
  name,
  look,
  measured,
  own = false,
}: {
  readonly step: Step
  readonly part: EntryOf<'finding'>['part']
  readonly id: string
  readonly name: string
  /** What to look for. */
  readonly look: string
  /** What may be measured of it, where something is. */
  readonly measured?: string
  /** It is not on the build sheet, and has the name that it was given here. */
  readonly own?: boolean
}) {
  const finding = useFinding({ step, part, id, name, own })
  const { saw, much, written, add } = finding
  return (
    <div className="finding" role="group" aria-label={name}>
      <p>
        <strong>{name}.</strong> <span className="soft">{look}</span>
      </p>
      {written && <p className="result">{findingLine(written)}</p>}
      {alwaysRenewed(part) && <p className="soft">Common practice: never put back, whatever it looks like.</p>}
      <div className="row seen-on">
        {seenOn[part].map((words) => (
          <Button key={words} variant="quiet" onClick={() => add(words)}>
            {words}
          </Button>
        ))}
      </div>
      <WordsInput label={`What you see, ${inSentence(name)}`} placeholder={seenOn[part][0]} maxLength={400} of={saw} />
      {measured && (
        <LengthInput field={much} label={`How much, ${inSentence(name)}`} example="0.4 mm" description={measured} />
      )}
      <Verdicts name={name} part={part} finding={finding} />
      <Pictures of={{ what: 'finding', id }} name={inSentence(name)} stepId={step.id} />
    </div>
  )
}

/** What is done with it: one tap where it goes on; left so on purpose asks why; renewed names what goes with it. */
function Verdicts({
  name,
  part,
  finding: { written, write, tried, reason },
}: {
  readonly name: string
  readonly part: EntryOf<'finding'>['part']
  readonly finding: ReturnType<typeof useFinding>
}) {
  const verdict = written?.verdict
  const { set, easy } = renewedWith(part)
  return (
    <>
      <div className="row">
        <Button
          variant={verdict === 'goesOn' ? 'filled' : 'default'}
          aria-pressed={verdict === 'goesOn'}
          onClick={() => write('goesOn')}
        >
          It goes on
        </Button>
        <NativeSelect
          aria-label={`Otherwise, ${inSentence(name)}`}
          value={tried ?? (verdict && verdict !== 'goesOn' ? verdict : '')}
          onChange={(event) => event.currentTarget.value && write(event.currentTarget.value as Verdict)}
          data={[
            { value: '', label: 'otherwise' },
            ...(['renewNow', 'renewAsSet', 'leftOnPurpose'] as const).map((value) => ({
              value,
              label: findingVerdicts[value],
            })),
          ]}
        />
      </div>
      {tried === 'leftOnPurpose' && (
        <>
          <WordsInput
            label={`Why it is left so, ${inSentence(name)}`}
            maxLength={300}
            of={reason}
            onEnter={() => write('leftOnPurpose')}
          />
          <Button variant="default" disabled={reason.text.trim() === ''} onClick={() => write('leftOnPurpose')}>
            It is left so
          </Button>
        </>
      )}
      {(verdict === 'renewNow' || verdict === 'renewAsSet') && (
        <p className="soft">
          {set.length > 0 && `Usually renewed with it: ${set.map((one) => lookedAtWords[one]).join(', ')}. `}
          {easy.length > 0 && `Easy now that it is open: ${easy.map((one) => lookedAtWords[one]).join(', ')}.`}
        </p>
      )}
    </>
  )
}

/** What is typed of a finding, and its writing: one that is left so on purpose is not written without its reason. */
function useFinding({
  step,
  part,
  id,
  name,
  own,
}: {
  readonly step: Step
  readonly part: EntryOf<'finding'>['part']
  readonly id: string
  readonly name: string
  readonly own: boolean
}) {
  const { view, say } = useBench()
  const key = `${view.job.id}:${step.id}:${id}`
  const saw = useDraft(`${key}:saw`)
  const reason = useDraft(`${key}:reason`)
  const much = useLengthField(`${key}:mm`, entryLimits('finding', 'mm'))
  const [tried, setTried] = useState<Verdict>()
  const written = allOf(view.state, 'finding').find(({ partId }) => partId === id)
  const write = (verdict: Verdict) => {
    if (much.text.trim() !== '' && !much.value) return much.ask()
    setTried(verdict)
    if (verdict === 'leftOnPurpose' && reason.text.trim() === '') return
    setTried(undefined)
    void say(
      {
        kind: 'finding',
        part,
        partId: id,
        ...(own ? { name } : {}),
        saw: saw.text.trim() || (written?.saw ?? ''),
        verdict,
        ...(much.value ? { mm: much.value.value, typed: [{ field: 'mm', text: much.said }] } : {}),
        ...(verdict === 'renewAsSet' ? { with: renewedWith(part).set.map((one) => lookedAtWords[one]) } : {}),
        ...(verdict === 'leftOnPurpose' ? { reason: reason.text.trim() } : {}),
        stepId: step.id,
      },
      [saw, much, reason],
    )
  }
  const add = (words: string) => saw.setText(saw.text.trim() === '' ? words : `${saw.text.trim()}, ${words}`)
  return { saw, much, reason, written, add, write, tried }
}

const findingLine = ({ saw, mm, verdict, with: others, reason }: EntryOf<'finding'>) => {
  const seen = [saw, mm === undefined ? '' : formatMm(mm, 2)].filter(Boolean).join(', ')
  return `${seen ? `${seen}: ` : ''}${findingVerdicts[verdict]}${others?.length ? `, with ${others.join(', ')}` : ''}${reason ? `: ${reason}` : ''}`
}
