import { TextInput, UnstyledButton } from '@mantine/core'
import MiniSearch from 'minisearch'
import { useMemo, useState } from 'react'
import { useChosenPart } from '../ChosenPart'
import type { EnginePart } from './engineParts'
import './PartList.css'

/** Every part by name, for the keyboard, the screen reader and whoever knows what it is called; found by a figure's name too. */
export function PartList({ parts }: { readonly parts: readonly EnginePart[] }) {
  const { key: chosen, choose: goTo } = useChosenPart()
  const [open, setOpen] = useState(false)
  const [text, setText] = useState('')
  // Found, it is put away: the part is what was wanted.
  const choose = (key: string) => {
    setOpen(false)
    setText('')
    goTo(key)
  }
  const find = useMemo(() => finderOf(parts), [parts])
  const found = text.trim() === '' ? parts : find(text)
  return (
    <details className="section part-list" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        All parts <span className="soft">{parts.length}, to search</span>
      </summary>
      <div className="section-body">
        <TextInput
          label="Find a part or a figure"
          placeholder="teeth, inlet sprocket"
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
          onKeyDown={(event) => {
            const [first] = found
            if (event.key === 'Enter' && first) choose(first.key)
          }}
          maxLength={120}
        />
        <p className="unseen" role="status">
          {text.trim() !== '' && `${found.length} found`}
        </p>
        <ul className="plain">
          {found.map((part) => (
            <li key={part.key}>
              <UnstyledButton
                className="part-line"
                aria-pressed={part.key === chosen}
                onClick={() => choose(part.key)}
                data-part={part.key}
              >
                <strong>{part.name}</strong> <span className="soft">{part.what}</span>
              </UnstyledButton>
            </li>
          ))}
        </ul>
        {found.length === 0 && <p className="soft">Nothing of this engine is called so.</p>}
      </div>
    </details>
  )
}

/** Parts that answer to some words, the best first: by name before figures, with a letter wrong or missing. */
function finderOf(parts: readonly EnginePart[]): (text: string) => readonly EnginePart[] {
  const byKey = new Map(parts.map((part) => [part.key, part]))
  const search = new MiniSearch<EnginePart>({
    idField: 'key',
    fields: ['name', 'what', 'figures'],
    searchOptions: { boost: { name: 3 }, prefix: true, fuzzy: 0.2 },
  })
  search.addAll(parts)
  return (text) => search.search(text).flatMap(({ id }) => byKey.get(id as string) ?? [])
}
