import { Button, NativeSelect, TextInput } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { LengthInput, useDraft, useLengthField } from '../../../../ui/fields'
import { formatMm } from '@link-count/core/units'
import { findingVerdicts, inSentence } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
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
}: {
  readonly step: Step
  readonly part: EntryOf<'finding'>['part']
  readonly id: string
  readonly name: string
  /** What to look for. */
  readonly look: string
  /** What may be measured of it, where something is. */
  readonly measured?: string
}) {
  const { view, say } = useBench()
  const saw = useDraft(`${view.job.id}:${step.id}:${id}:saw`)
  const much = useLengthField(`${view.job.id}:${step.id}:${id}:mm`, entryLimits('finding', 'mm'))
  const written = allOf(view.state, 'finding').find(({ partId }) => partId === id)
  const write = (verdict: Verdict) => {
    if (much.text.trim() !== '' && !much.value) return much.ask()
    void say(
      {
        kind: 'finding',
        part,
        partId: id,
        saw: saw.text.trim(),
        verdict,
        ...(much.value ? { mm: much.value.value, typed: [{ field: 'mm', text: much.said }] } : {}),
        stepId: step.id,
      },
      [saw, much],
    )
  }
  return (
    <div className="finding" role="group" aria-label={name}>
      <p>
        <strong>{name}.</strong> <span className="soft">{look}</span>
      </p>
      {written && <p className="result">{findingLine(written)}</p>}
      <TextInput
        label={`What you see, ${inSentence(name)}`}
        placeholder="bright all over"
        maxLength={400}
        value={saw.text}
        onChange={(event) => saw.setText(event.currentTarget.value)}
      />
      {measured && (
        <LengthInput field={much} label={`How much, ${inSentence(name)}`} example="0.4 mm" description={measured} />
      )}
      <div className="row">
        <Button
          variant={written?.verdict === 'goesOn' ? 'filled' : 'default'}
          aria-pressed={written?.verdict === 'goesOn'}
          onClick={() => write('goesOn')}
        >
          It goes on
        </Button>
        <NativeSelect
          aria-label={`Otherwise, ${inSentence(name)}`}
          value={written && written.verdict !== 'goesOn' ? written.verdict : ''}
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
    </div>
  )
}

const findingLine = ({ saw, mm, verdict }: EntryOf<'finding'>) => {
  const seen = [saw, mm === undefined ? '' : formatMm(mm, 2)].filter(Boolean).join(', ')
  return `${seen ? `${seen}: ` : ''}${findingVerdicts[verdict]}`
}
