import { NativeSelect } from '@mantine/core'
import type { ReactNode } from 'react'
import { FieldGroup, useDraft, WordsInput } from '../../../ui/fields'
import type { SheetChange } from '../sheetChanges'
import { useFigureKey } from '../ChosenPart'
import { useSheetEditor } from '../SheetEditor'

/** The few figures of a part, and a word on what they are for. */
export const Fields = ({ lead, children }: { readonly lead?: ReactNode; readonly children: ReactNode }) => (
  <>
    {lead && <p className="soft panel-lead">{lead}</p>}
    <FieldGroup className="panel-fields">{children}</FieldGroup>
  </>
)

/** A choice among words; what is not known is one of them. */
export function Choice<V extends string>({
  label,
  help,
  value,
  options,
  onChoose,
}: {
  label: string
  help?: string
  value: V
  options: readonly { value: V; label: string }[]
  onChoose: (value: V) => void
}) {
  return (
    <NativeSelect
      label={label}
      description={help}
      value={value}
      onChange={(event) => onChoose(event.currentTarget.value as V)}
      data={[...options]}
    />
  )
}

/** Plain words on the sheet: saved when the field is left; an empty one goes back to what it was, where it may not be empty. */
export function WordsField({
  id,
  label,
  value,
  change,
  mayBeEmpty = false,
}: {
  id: string
  label: string
  value: string
  change: (text: string) => SheetChange
  mayBeEmpty?: boolean
}) {
  const { apply } = useSheetEditor()
  const draft = useDraft(useFigureKey(id), value)
  const leave = () => {
    const text = draft.text.trim()
    if ((text !== '' || mayBeEmpty) && text !== value) void apply(change(text), [draft])
    else draft.drop()
  }
  return <WordsInput label={label} of={draft} onBlur={leave} maxLength={mayBeEmpty ? 120 : 60} />
}

/** What a part is called here: every screen and the next card says it so; cards that are signed keep the old name. */
export const NameField = ({
  id,
  what,
  value,
  change,
}: {
  readonly id: string
  readonly what: string
  readonly value: string
  readonly change: (name: string) => SheetChange
}) => <WordsField id={`called-${id}`} label={`You call the ${what}`} value={value} change={change} />
