import { NativeSelect, TextInput } from '@mantine/core'
import type { ReactNode } from 'react'
import { useDraft } from '../../../ui/fields'
import { useSheetEditor } from '../SheetEditor'

export function Section({ title, lead, children }: { title: string; lead?: string; children: ReactNode }) {
  return (
    <section className="sheet-section">
      <h2>{title}</h2>
      {lead && <p className="soft">{lead}</p>}
      <div className="fields">{children}</div>
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
      inputWrapperOrder={['label', 'input', 'description', 'error']}
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
  save,
}: {
  id: string
  label: string
  value: string
  save: (text: string) => void
}) {
  const { engineId } = useSheetEditor()
  const draft = useDraft(`sheet:${engineId}:${id}`, value)
  const leave = () => {
    if (draft.text.trim() !== '' && draft.text.trim() !== value) save(draft.text.trim())
    draft.drop()
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
