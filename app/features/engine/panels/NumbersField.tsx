import type { Limits } from '@link-count/core/model'
import { parseNumber } from '@link-count/core/units'
import { useDraft, WordsInput } from '../../../ui/fields'
import type { SheetChange } from '../sheetChanges'
import { useFigureKey } from '../ChosenPart'
import { useSheetEditor } from '../SheetEditor'

/** One number, or several with spaces between; saved when all of them can be read. */
export function NumbersField({
  id,
  label,
  help,
  value,
  change,
  limits: { least, most: greatest, whole },
  most,
}: {
  readonly id: string
  readonly label: string
  readonly help?: string
  readonly value: readonly number[]
  readonly change: (value: readonly number[]) => SheetChange
  /** Of each number. */
  readonly limits: Limits
  /** How many may be written. */
  readonly most: number
}) {
  const { apply } = useSheetEditor()
  const written = value.join(' ')
  const draft = useDraft(useFigureKey(id), written)
  const parts = draft.text.split(/\s+/).filter(Boolean)
  const numbers = parts.map((text) => {
    const parsed = parseNumber(text)
    const good =
      parsed.ok && parsed.value >= least && parsed.value <= greatest && (!whole || Number.isInteger(parsed.value))
    return good ? parsed.value : undefined
  })
  const bad = parts.find((_text, i) => numbers[i] === undefined)
  const many = parts.length > most
  const leave = () => {
    if (bad !== undefined || many) return
    if (draft.text.trim() !== written) void apply(change(numbers.flatMap((number) => number ?? [])), [draft])
    else draft.drop()
  }
  return (
    <WordsInput
      label={label}
      description={help}
      of={draft}
      onBlur={leave}
      onEnter={() => leave()}
      error={
        bad !== undefined
          ? `“${bad.slice(0, 20)}”: write ${whole ? 'a whole number' : 'a number'} from ${least} to ${greatest}.`
          : many
            ? most === 1
              ? 'One number only.'
              : `No more than ${most} of them.`
            : undefined
      }
      maxLength={300}
    />
  )
}
