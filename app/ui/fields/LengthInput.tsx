import { TextInput } from '@mantine/core'
import { useRef, type ReactNode } from 'react'
import { formatInches, formatMm } from '@link-count/core/units'
import { candidateWords, numberWords } from '../wording'
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
  const input = useRef<HTMLInputElement>(null)
  const missing = !result.ok && result.error.code === 'unitMissing' ? result.error.candidates : undefined
  const asksUnit = missing && field.text.trim() !== ''
  const beside = result.ok
    ? result.value.unit === 'mm'
      ? formatInches(result.value.value)
      : formatMm(result.value.value, 3)
    : undefined
  return (
    <div className="field">
      <TextInput
        ref={input}
        label={label}
        description={description ?? (beside ? `= ${beside}` : undefined)}
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
        <div className="unit-choice" role="group" aria-label={`Unit of ${label}`}>
          <span>In which unit?</span>
          {missing.map(({ unit, value }) => {
            const { other, fit, likely } = candidateWords({ unit: unit as 'mm', value }, plausible)
            return (
              <button
                type="button"
                key={unit}
                className={likely ? 'likely' : undefined}
                onClick={() => {
                  field.setText(`${field.text.trim()} ${unit}`)
                  input.current?.focus()
                }}
              >
                {field.text.trim()} {unit}
                <small>
                  = {other}
                  {fit}
                </small>
              </button>
            )
          })}
        </div>
      )}
    </div>
  )
}

export function lengthWords(error: NonNullable<LengthField['error']>): string {
  if (error.code === 'unitMissing') return 'The unit is missing: write mm, in or thou.'
  if (error.code === 'unitUnknown')
    return `“${error.unit.slice(0, 20)}” is no unit of length here. Write mm, cm, in or thou.`
  if (error.code === 'outOfRange') return `From ${error.least} to ${error.most} mm.`
  return numberWords(error)
}
