import { NativeSelect } from '@mantine/core'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import { SLACK_PLUS_MINUS, TWIST_PLUS_MINUS_DEG } from '@link-count/core/tension'
import { parseDegrees } from '@link-count/core/units'
import { LengthInput, useDraft, useField, useLengthField, type Taken, WordsInput } from '../../../ui/fields'
import { feltWords, numberWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import type { ChosenRound } from './useRound'

type Slack = EntryOf<'slack'>
export type Values = Partial<Pick<Slack, 'mm' | 'links' | 'twistDeg' | 'hz' | 'felt'>>

interface Figure {
  readonly input: (label: string, onEnter: () => void) => React.ReactNode
  readonly take: () =>
    | {
        readonly values: Values
        readonly plusMinus: number
        readonly typed?: string
        readonly fields: readonly Taken[]
      }
    | undefined
}

/** The field that goes with a way of judging. */
export function useFigure({ of: { by } }: ChosenRound, key: string): Figure {
  const { job } = useBench().view
  const tool = useDraft(`${job.id}:slack:with`, 'finger')
  const mm = useLengthField(`${key}:mm`, entryLimits('slack', 'mm'))
  const number = useField(`${key}:${by}`, (text) => parseDegrees(text, numberLimits(by)))
  const felt = useDraft(`${key}:felt`, 'movable')
  const off = SLACK_PLUS_MINUS[tool.text as Slack['with']] ?? SLACK_PLUS_MINUS.finger
  if (by === 'feel')
    return {
      input: (label) => (
        <NativeSelect
          label={label}
          value={felt.text}
          onChange={(event) => felt.setText(event.currentTarget.value)}
          data={Object.entries(feltWords).map(([value, name]) => ({ value, label: name }))}
        />
      ),
      take: () => ({ values: { felt: felt.text as NonNullable<Slack['felt']> }, plusMinus: 0, fields: [] }),
    }
  if (by === 'links' || by === 'twist' || by === 'pitch')
    return {
      input: (label, onEnter) => (
        <WordsInput
          label={label}
          placeholder={by === 'links' ? '1/2' : by === 'twist' ? '90' : '96.2'}
          inputMode="decimal"
          maxLength={16}
          of={number}
          onBlur={number.leave}
          onEnter={() => onEnter()}
          error={number.error && numberWords(number.error)}
        />
      ),
      take: () => {
        number.ask()
        const { value } = number
        if (value === undefined) return undefined
        const values = by === 'links' ? { links: value } : by === 'twist' ? { twistDeg: value } : { hz: value }
        const plusMinus = by === 'links' ? off.links : by === 'twist' ? TWIST_PLUS_MINUS_DEG : value * TYPED_PITCH_SHARE
        return { values, plusMinus, typed: number.said, fields: [number] }
      },
    }
  return {
    input: (label, onEnter) => <LengthInput field={mm} label={label} example="4.8 mm, 3/16 in" onEnter={onEnter} />,
    take: () => {
      mm.ask()
      if (!mm.value) return undefined
      return { values: { mm: mm.value.value }, plusMinus: off.mm, typed: mm.said, fields: [mm] }
    },
  }
}

/** A pitch that was typed and not listened to here, two sigma of it. Ours. */
const TYPED_PITCH_SHARE = 0.01

const numberLimits = (by: Slack['by']) =>
  entryLimits('slack', by === 'links' ? 'links' : by === 'twist' ? 'twistDeg' : 'hz')
