import { UnstyledButton } from '@mantine/core'
import { useAppSelector } from '../../store'
import { typedPrefix, useChosenPart } from './ChosenPart'
import type { EnginePart } from './parts/engineParts'
import { useSheetEditor } from './SheetEditor'

/** What was typed at a part that is not open and could not be taken: told until somebody has looked at it. */
export function NotTaken({ parts }: { readonly parts: readonly EnginePart[] }) {
  const { engineId } = useSheetEditor()
  const { key: open, choose } = useChosenPart()
  const drafts = useAppSelector((state) => state.drafts)
  const prefix = typedPrefix(engineId)
  const left = Object.entries(drafts).flatMap(([key, text]) => {
    if (!key.startsWith(prefix) || text.trim() === '') return []
    const partKey = key.slice(prefix.length).split('|')[0]
    const part = parts.find((one) => one.key === partKey && one.key !== open)
    return part ? [{ key, text, part }] : []
  })
  if (left.length === 0) return null
  return (
    <section className="warn" aria-label="Typed and not taken">
      <p>Typed, and not taken:</p>
      {left.map(({ key, text, part }) => (
        <UnstyledButton key={key} className="left-line" onClick={() => choose(part.key)}>
          <strong>{part.name}</strong> “{text.slice(0, 40)}”
        </UnstyledButton>
      ))}
    </section>
  )
}
