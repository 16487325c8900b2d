import { Button } from '@mantine/core'
import { useEffect, useEffectEvent, useRef } from 'react'
import { sheetLimits, type Limits, type Trusted } from '@link-count/core/model'
import type { Result } from '@link-count/core/result'
import { parseDegrees, parseDirection, parseForce, parseTorqueWithin, type AngleError } from '@link-count/core/units'
import {
  LengthInput,
  parseWhole,
  useBareUnit,
  useField,
  useLengthField,
  wholeWords,
  type Taken,
  WordsInput,
} from '../../ui/fields'
import { forceErrorWords, numberWords, torqueErrorWords } from '../../ui/wording'
import { useFigureKey } from './ChosenPart'
import { useSheetEditor } from './SheetEditor'
import { sourced, useSource } from './source'
import { TrustLetter } from './TrustLetter'
import type { SheetChange } from './sheetChanges'
import './TrustedField.css'

interface FieldProps {
  readonly id: string
  readonly label: string
  readonly help?: string
  /** A figure of its own kind and size. */
  readonly example?: string
  readonly value: Trusted<number> | undefined
  readonly change: (value: Trusted<number> | undefined) => SheetChange
}

function useTrusted({ id, label, value, change }: FieldProps) {
  const { engineId, apply } = useSheetEditor()
  const { source } = useSource(engineId)
  const key = useFigureKey(id)
  const accept = (field: Taken, typed: string, number: number) =>
    void apply(change(sourced(number, typed.trim(), source)), [field])
  const clear = (field: Taken) => void apply(change(undefined), [field])
  const letter = value && (
    <TrustLetter
      label={label}
      trust={value.trust}
      source={value.source}
      setTrust={(trust) => void apply(change({ ...value, trust }))}
    />
  )
  return { key, letter, accept, clear }
}

/** A length on the build sheet: kept as typed, saved when it can be read, with how far it is trusted. */
export function MmField(
  props: FieldProps & {
    readonly example: string
    readonly limits: Limits
    readonly check?: (valueMm: number) => string | undefined
  },
) {
  const { key, letter, accept, clear } = useTrusted(props)
  const field = useLengthField(key, props.limits, props.value?.typed ?? '')
  const bad = field.value && props.check?.(field.value.value)
  const box = useRef<HTMLDivElement>(null)
  const leave = () => {
    field.leave()
    if (field.text.trim() === '') return props.value ? clear(field) : field.drop()
    if (!field.value || bad) return
    if (field.value.typed !== props.value?.typed) accept(field, field.value.typed, field.value.value)
    else field.drop()
  }
  const { unit } = useBareUnit()
  const take = useEffectEvent(() => {
    const waits = field.text.trim() !== '' && field.text.trim() !== props.value?.typed
    if (waits && !box.current?.contains(document.activeElement)) leave()
  })
  // What was typed without a unit in another field of the list is taken as soon as the unit is said.
  useEffect(() => {
    if (unit) take()
  }, [unit])
  return (
    <div className="trusted-field" onBlur={leave} ref={box}>
      <LengthInput field={field} example={props.example} label={props.label} description={props.help} onEnter={leave} />
      {bad && (
        <p className="field-error" role="alert">
          {bad}
        </p>
      )}
      {letter}
    </div>
  )
}

function NumberField<E extends { readonly code: string } = AngleError>({
  props,
  parse,
  words,
  offers,
  inputMode,
}: {
  props: FieldProps
  parse: (text: string) => Result<number, E>
  words: (error: E) => string
  /** What may have been meant, as it would be typed: one touch takes it. */
  offers?: (error: E, text: string) => readonly string[]
  inputMode?: 'numeric' | 'decimal'
}) {
  const { key, letter, accept, clear } = useTrusted(props)
  const field = useField(key, parse, props.value?.typed ?? '')
  const leave = () => {
    field.leave()
    if (field.text.trim() === '') return props.value ? clear(field) : field.drop()
    if (field.value === undefined) return
    if (field.text.trim() !== props.value?.typed) accept(field, field.text, field.value)
    else field.drop()
  }
  return (
    <div className="trusted-field">
      <WordsInput
        label={props.label}
        description={props.help}
        placeholder={props.example}
        inputMode={inputMode}
        of={field}
        onBlur={leave}
        onEnter={() => leave()}
        error={field.error && words(field.error)}
        maxLength={60}
      />
      {field.error && offers && (
        <div className="row">
          {offers(field.error, field.text.trim()).map((typed) => {
            const meant = parse(typed)
            return (
              <Button
                key={typed}
                variant="default"
                onClick={() => {
                  field.setText(typed)
                  if (meant.ok) accept(field, typed, meant.value)
                }}
              >
                {typed}
              </Button>
            )
          })}
        </div>
      )}
      {letter}
    </div>
  )
}

/** A torque in any unit of a wrench; kept in N·m as it was typed. Without its unit it is asked which is meant. */
export const TorqueField = ({ limits, ...props }: FieldProps & { readonly limits: Limits }) => (
  <NumberField
    props={{ example: '25 N·m, 18 ft-lb', ...props }}
    parse={(text) => {
      const read = parseTorqueWithin(text, limits)
      return read.ok ? { ok: true, value: read.value.value } : read
    }}
    words={torqueErrorWords}
    offers={(error, text) =>
      error.code === 'unitMissing' ? error.candidates.map(({ unit }) => `${text} ${unit}`) : []
    }
    inputMode="decimal"
  />
)

/** A force in newtons, pounds or kilos; kept in newtons as it was typed. */
export const ForceField = ({ limits, ...props }: FieldProps & { readonly limits: Limits }) => (
  <NumberField
    props={{ example: '49 N, 11 lb', ...props }}
    parse={(text) => {
      const read = parseForce(text, limits)
      return read.ok ? { ok: true, value: read.value.value } : read
    }}
    words={forceErrorWords}
    inputMode="decimal"
  />
)
/** A number with a unit that is said beside the field. */
export const FigureField = ({
  limits,
  ...props
}: FieldProps & { readonly example: string; readonly limits: Limits }) => (
  <NumberField props={props} parse={(text) => parseDegrees(text, limits)} words={numberWords} inputMode="decimal" />
)
export const WholeField = ({ limits, ...props }: FieldProps & { readonly limits: Limits }) => (
  <NumberField props={{ example: '38', ...props }} parse={parseWhole(limits)} words={wholeWords} inputMode="numeric" />
)
export const DegField = ({ limits, ...props }: FieldProps & { readonly example: string; readonly limits: Limits }) => (
  <NumberField props={props} parse={(text) => parseDegrees(text, limits)} words={numberWords} />
)
/** Pitches between marks: halves are right between a tip and a gap. */
export const PitchesField = (props: FieldProps) => (
  <NumberField props={{ example: '29', ...props }} parse={parsePitches} words={pitchesWords} inputMode="decimal" />
)
const parsePitches = (text: string): Result<number, AngleError> => {
  const parsed = parseDegrees(text, sheetLimits('counts', 'pitches'))
  return parsed.ok && (parsed.value * 2) % 1 !== 0 ? { ok: false, error: { code: 'notANumber', text } } : parsed
}
const pitchesWords = (error: AngleError) =>
  error.code === 'notANumber' ? 'Whole pitches, or a half between a tip and a gap.' : numberWords(error)

export const DirectionField = (props: FieldProps) => (
  <NumberField props={{ example: "1 o'clock, or 30", ...props }} parse={parseDirection} words={directionWords} />
)

export const directionWords = (error: AngleError) =>
  error.code === 'notANumber'
    ? 'Write it as a clock face, 1 o’clock or 1:30, or as degrees clockwise from straight up.'
    : numberWords(error)
