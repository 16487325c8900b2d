import { TextInput } from '@mantine/core'
import { useRef } from 'react'
import type { WheelPlace } from '@link-count/core/degreeWheel'
import type { WheelScale } from '@link-count/core/model'
import { scaleWords } from '../wording'
import type { WheelField } from './fields'

const placeWords: Record<WheelPlace, string> = {
  beforeTop: 'before top',
  afterTop: 'after top',
  beforeBottom: 'before bottom',
  afterBottom: 'after bottom',
}

const examples: Record<WheelScale['kind'], string> = {
  full: '327.5, or 32.5 before',
  half: '32.5 before',
  quarter: '32.5 before top',
  rim: '54 mm',
}

/** A reading of the degree wheel or the tape. Where the number stands on the wheel more than once, it shows the places and asks. */
export function WheelInput({
  field,
  scale,
  label,
  description,
  onEnter,
}: {
  readonly field: WheelField
  readonly scale: WheelScale | undefined
  readonly label: string
  readonly description?: string | undefined
  readonly onEnter?: () => void
}) {
  const { result, error } = field
  const input = useRef<HTMLInputElement>(null)
  const places = !result.ok && result.error.code === 'placeMissing' ? result.error : undefined
  return (
    <div className="field">
      <TextInput
        ref={input}
        label={label}
        description={description}
        value={field.text}
        placeholder={examples[scale?.kind ?? 'full']}
        onChange={(event) => field.setText(event.currentTarget.value)}
        onBlur={field.leave}
        onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
        error={error && error.code !== 'placeMissing' ? scaleWords(error) : undefined}
        maxLength={40}
      />
      {places && (
        <div className="unit-choice" role="group" aria-label={`Which ${places.number}: ${label}`}>
          <span>It stands there {places.places.length === 2 ? 'twice' : 'four times'}. Which?</span>
          {places.places.map((place) => (
            <button
              type="button"
              key={place}
              onClick={() => {
                field.setText(`${places.number} ${placeWords[place]}`)
                input.current?.focus()
              }}
            >
              {places.number} {placeWords[place]}
            </button>
          ))}
        </div>
      )}
    </div>
  )
}
