import { NativeSelect, TextInput } from '@mantine/core'
import type { ReactNode } from 'react'
import { FieldGroup, useDraft } from '../../../ui/fields'
import type { SheetChange } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'

export function Section({ title, lead, children }: { title: string; lead?: string; children: ReactNode }) {
  return (
    <section className="sheet-section">
      <h2>{title}</h2>
      {lead && <p className="soft">{lead}</p>}
      <FieldGroup className="fields">{children}</FieldGroup>
    </section>
  )
}

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

/** Plain words on the sheet: saved when the field is left; an empty one goes back to what it was. */
export function WordsField({
  id,
  label,
  value,
  change,
}: {
  id: string
  label: string
  value: string
  change: (text: string) => SheetChange
}) {
  const { engineId, apply } = useSheetEditor()
  const draft = useDraft(`sheet:${engineId}:${id}`, value)
  const leave = () => {
    const text = draft.text.trim()
    if (text !== '' && text !== value) void apply(change(text), [draft])
    else draft.drop()
  }
  return (
    <TextInput
      label={label}
      value={draft.text}
      onChange={(event) => draft.setText(event.currentTarget.value)}
      onBlur={leave}
      maxLength={60}
    />
  )
}
