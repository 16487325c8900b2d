import { Button, UnstyledButton } from '@mantine/core'
import { dropDrafts } from '../../domain/draftWrites'
import { useAppDispatch, useAppSelector } from '../../store'
import { typedPrefix, useChosenPart } from './ChosenPart'
import type { EnginePart } from './parts/engineParts'
import { useSheetEditor } from './SheetEditor'

/** Drafts of the engine's page that are fields of it today. */
const isStillUsed = (key: string) => /^sheet:[^:]+:(chain-|lengths|teeth-by-|cannot|new-mark|shims|source)/.test(key)

/** What was typed at a part that is not open and could not be taken: told until somebody has looked at it. */
export function NotTaken({ parts }: { readonly parts: readonly EnginePart[] }) {
  const { engineId } = useSheetEditor()
  const { key: open, choose } = useChosenPart()
  const dispatch = useAppDispatch()
  const drafts = useAppSelector((state) => state.drafts)
  const prefix = typedPrefix(engineId)
  const left = Object.entries(drafts).flatMap(([key, text]) => {
    if (!key.startsWith(prefix) || text.trim() === '') return []
    const partKey = key.slice(prefix.length).split('|')[0]
    const part = parts.find((one) => one.key === partKey && one.key !== open)
    return part ? [{ key, text, part }] : []
  })
  const older = Object.entries(drafts).filter(
    ([key, text]) => text.trim() !== '' && key.startsWith(`sheet:${engineId}:`) && !isStillUsed(key),
  )
  if (left.length + older.length === 0) return null
  return (
    <section className="warn" aria-label="Typed and not taken">
      <p>Typed, and not taken:</p>
      {left.map(({ key, text, part }) => (
        <UnstyledButton key={key} className="left-line" onClick={() => choose(part.key)}>
          <strong>{part.name}</strong> “{text.slice(0, 40)}”
        </UnstyledButton>
      ))}
      {older.map(([key, text]) => (
        <div className="row" key={key}>
          <span>In the form that was here before: “{text.slice(0, 40)}”</span>
          <Button variant="quiet" onClick={() => void dispatch(dropDrafts([key]))}>
            Forget it
          </Button>
        </div>
      ))}
    </section>
  )
}
