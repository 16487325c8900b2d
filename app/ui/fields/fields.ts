import { useState } from 'react'
import { readScale, type ScaleError } from '@link-count/core/degreeWheel'
import { DEFAULT_SCALE } from '@link-count/core/ledger'
import type { Limits, WheelScale } from '@link-count/core/model'
import { err, type Result } from '@link-count/core/result'
import {
  parseDegrees,
  parseDirection,
  parseLength,
  parseNumber,
  type AngleError,
  type BareUnit,
  type LengthError,
  type LengthUnit,
  type Parsed,
  type WheelDeg,
} from '@link-count/core/units'
import { numberWords } from '../wording'
import { useBareUnit } from './bareUnit'
import { useDraft, type Taken } from './useDraft'

/** A field that holds text until somebody takes its value. Its message shows once it was left or asked for. */
export interface Field<T, E> extends Taken {
  readonly setText: (text: string) => void
  readonly drop: () => void
  /** What was typed as it goes into a record: a length with its unit, though that was said once for many. */
  readonly said: string
  readonly result: Result<T, E>
  /** What the field would give, or undefined. */
  readonly value: T | undefined
  readonly error: E | undefined
  readonly ask: () => void
  readonly leave: () => void
}

export function useField<T, E extends { readonly code: string }>(
  key: string,
  parse: (text: string) => Result<T, E>,
  start = '',
): Field<T, E> {
  const { text, setText, drop, touched } = useDraft(key, start)
  const [asked, setAsked] = useState(false)
  const [left, setLeft] = useState(false)
  const settled = () => {
    setAsked(false)
    setLeft(false)
  }
  const result = parse(text)
  const shown = asked || (left && text.trim() !== '') || (touched && text.trim() !== '' && left)
  return {
    key,
    text,
    setText: (next) => {
      setLeft(false)
      setText(next)
    },
    drop: () => {
      settled()
      drop()
    },
    settled,
    said: text,
    result,
    value: result.ok ? result.value : undefined,
    error: !result.ok && shown ? result.error : undefined,
    ask: () => setAsked(true),
    leave: () => setLeft(true),
  }
}

export type LengthField = Field<Parsed<LengthUnit>, LengthError | AngleError>
type Within = Pick<Limits, 'least' | 'most'>

/** A length in mm within its limits; one outside of them is refused beside the field. */
export const parseLengthWithin =
  ({ least, most }: Within, bare?: BareUnit) =>
  (text: string): LengthField['result'] => {
    const read = parseLength(text, bare)
    return read.ok && (read.value.value < least || read.value.value > most)
      ? err({ code: 'outOfRange', least, most })
      : read
  }

/** A length; its limits are those of what it is kept as. A number without a unit is in the one that was said for its list, or for the workshop. */
export function useLengthField(key: string, limits: Within, start = ''): LengthField {
  const { unit } = useBareUnit()
  const field = useField(key, parseLengthWithin(limits, unit), start)
  return { ...field, said: field.value?.typed ?? field.text }
}

export type WheelField = Field<WheelDeg, ScaleError>
/** A reading of the degree wheel or the rim as it is numbered; its value rises in the running direction. */
export const useWheelField = (key: string, scale: WheelScale = DEFAULT_SCALE): WheelField =>
  useField(key, (text) => readScale(text, scale))

export type DegreesField = Field<number, AngleError>
export const useDegreesField = (key: string, range: Within, start = ''): DegreesField =>
  useField(key, (text) => parseDegrees(text, range), start)

export const useDirectionField = (key: string, start = ''): DegreesField => useField(key, parseDirection, start)

/** A whole number in a range. */
export const parseWhole =
  ({ least, most }: Within) =>
  (text: string): Result<number, AngleError> => {
    const parsed = parseNumber(text)
    if (!parsed.ok) return parsed
    if (!Number.isInteger(parsed.value) || parsed.value < least || parsed.value > most) {
      return { ok: false, error: { code: 'outOfRange', least, most } }
    }
    return parsed
  }

export const wholeWords = (error: AngleError) =>
  error.code === 'outOfRange' ? `A whole number from ${error.least} to ${error.most}.` : numberWords(error)
