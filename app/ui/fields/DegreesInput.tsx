import { TextInput } from '@mantine/core'
import { numberWords } from '../wording'
import type { DegreesField } from './fields'

export function DegreesInput({
  field,
  label,
  description,
  placeholder = '3.4',
  words = numberWords,
  onEnter,
}: {
  readonly field: DegreesField
  readonly label: string
  readonly description?: string | undefined
  readonly placeholder?: string
  readonly words?: typeof numberWords
  readonly onEnter?: () => void
}) {
  return (
    <TextInput
      className="field"
      label={label}
      description={description}
      inputMode="decimal"
      value={field.text}
      placeholder={placeholder}
      onChange={(event) => field.setText(event.currentTarget.value)}
      onBlur={field.leave}
      onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
      error={field.error && words(field.error)}
    />
  )
}
