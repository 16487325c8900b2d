import { SegmentedControl } from '@mantine/core'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import { parseDegrees } from '@link-count/core/units'
import { useDraft, useField, WordsInput } from '../../../ui/fields'
import { numberWords } from '../../../ui/wording'
import { useBench } from '../JobContext'

type Slack = EntryOf<'slack'>

/** What was fitted, and how warm it was: kept for the next reading. */
export function Conditions({
  by,
  supportName,
}: {
  readonly by: Slack['by']
  readonly supportName: string | undefined
}) {
  const { support, warmth, degC } = useConditions()
  return (
    <>
      <div className="row">
        <SegmentedControl
          aria-label={supportName ?? 'Everything that belongs on'}
          value={support.text}
          onChange={support.setText}
          data={[
            { value: 'fitted', label: `${supportName ?? 'All'} fitted` },
            { value: 'missing', label: 'Not all fitted' },
          ]}
        />
        <SegmentedControl
          aria-label="The engine is"
          value={warmth.text}
          onChange={warmth.setText}
          data={[
            { value: 'cold', label: 'Cold' },
            { value: 'hot', label: 'Hot' },
          ]}
        />
      </div>
      {by === 'pitch' && (
        <WordsInput
          label="How warm it is, °C"
          description="A target in hertz is for its own run, place of the crank and warmth."
          inputMode="decimal"
          maxLength={8}
          of={degC}
          onBlur={degC.leave}
          error={degC.text.trim() !== '' && degC.error && numberWords(degC.error)}
        />
      )}
    </>
  )
}

/** The same for everything that reads them. */
export function useConditions() {
  const { job } = useBench().view
  const degC = useField(`${job.id}:slack:degC`, (text) => parseDegrees(text, entryLimits('slack', 'degC')))
  return {
    support: useDraft(`${job.id}:slack:support`, ''),
    warmth: useDraft(`${job.id}:slack:warmth`, 'cold'),
    degC,
    // A warmth that was typed and cannot be read is never left out in silence: its message stands beside its field.
    reads: degC.text.trim() === '' || degC.value !== undefined,
  }
}
