import { TextInput } from '@mantine/core'
import { useRef, type ReactNode } from 'react'
import { formatInches, formatMm, type BareUnit, type LengthUnit } from '@link-count/core/units'
import { candidateWords, numberWords } from '../wording'
import { useBareUnit } from './bareUnit'
import type { LengthField } from './fields'
import './LengthInput.css'

/** A length in anybody's units. Without a unit it shows what the number would mean in each, and asks. */
export function LengthInput({
  field,
  label,
  example,
  description,
  plausible,
  trailing,
  onEnter,
}: {
  readonly field: LengthField
  readonly label: string
  /** A figure of its own kind and size, in the units that people write it in. */
  readonly example: string
  readonly description?: string | undefined
  readonly plausible?: { readonly leastMm: number; readonly mostMm: number } | undefined
  readonly trailing?: ReactNode
  readonly onEnter?: () => void
}) {
  const { result, error } = field
  const { say } = useBareUnit()
  const input = useRef<HTMLInputElement>(null)
  const missing = !result.ok && result.error.code === 'unitMissing' ? result.error.candidates : undefined
  const asksUnit = missing && field.text.trim() !== ''
  const beside = result.ok
    ? result.value.unit === 'mm'
      ? formatInches(result.value.value)
      : formatMm(result.value.value, 3)
    : undefined
  // The unit was said for others: here it is told what the number was taken for.
  const taken = result.ok && result.value.typed !== field.text.trim() ? result.value.typed : undefined
  const means = [...(taken ? [taken] : []), ...(beside ? [beside] : [])].map((words) => `= ${words}`).join(' ')
  return (
    <div className="field">
      <TextInput
        ref={input}
        label={label}
        description={taken ? means : (description ?? (means || undefined))}
        value={field.text}
        placeholder={example}
        onChange={(event) => field.setText(event.currentTarget.value)}
        onBlur={field.leave}
        onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
        error={
          error && error.code !== 'unitMissing'
            ? lengthWords(error)
            : error && !asksUnit
              ? lengthWords(error)
              : undefined
        }
        rightSection={trailing}
        rightSectionWidth={trailing ? 110 : undefined}
      />
      {asksUnit && (
        <UnitChoice
          label={label}
          text={field.text.trim()}
          candidates={missing}
          plausible={plausible}
          onChoose={(unit) => {
            field.setText(`${field.text.trim()} ${unit}`)
            say(unit)
            input.current?.focus()
          }}
        />
      )}
    </div>
  )
}

/** What a number without a unit would be in each. */
const UnitChoice = ({
  label,
  text,
  candidates,
  plausible,
  onChoose,
}: {
  readonly label: string
  readonly text: string
  readonly candidates: readonly { readonly unit: LengthUnit; readonly value: number }[]
  readonly plausible: { readonly leastMm: number; readonly mostMm: number } | undefined
  readonly onChoose: (unit: BareUnit) => void
}) => (
  <div className="unit-choice" role="group" aria-label={`Unit of ${label}`}>
    <span>In which unit?</span>
    {candidates.map(({ unit, value }) => {
      const { other, fit, likely } = candidateWords({ unit, value }, plausible)
      return (
        <button
          type="button"
          key={unit}
          className={likely ? 'likely' : undefined}
          onClick={() => onChoose(unit as BareUnit)}
        >
          {text} {unit}
          <small>
            = {other}
            {fit}
          </small>
        </button>
      )
    })}
  </div>
)

export function lengthWords(error: NonNullable<LengthField['error']>): string {
  if (error.code === 'unitMissing') return 'The unit is missing: write mm, in or thou.'
  if (error.code === 'unitUnknown')
    return `“${error.unit.slice(0, 20)}” is no unit of length here. Write mm, cm, in or thou.`
  if (error.code === 'outOfRange') return `From ${error.least} to ${error.most} mm.`
  return numberWords(error)
}
