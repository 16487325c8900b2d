import { Button } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { useState } from 'react'
import { useSheetEditor } from '../SheetEditor'
import { tools, toolsFor } from './tools'
import type { ToolInHand } from './useTool'

/** What can be put on the drive, and what to touch for it. */
export function ToolRow({ tool }: { readonly tool: ToolInHand }) {
  const { sheet } = useSheetEditor()
  const [open, setOpen] = useState(false)
  useHotkeys([['Escape', () => tool.take(undefined)]])
  if (tool.name)
    return (
      <div className="tool-row in-hand">
        <p role="status">
          <strong>{tools[tool.name].name}.</strong> {tool.words}
        </p>
        <Button variant="default" onClick={() => tool.take(undefined)}>
          Leave it
        </Button>
      </div>
    )
  return (
    <div className={open ? 'tool-row open' : 'tool-row'}>
      <Button variant="default" aria-expanded={open} onClick={() => setOpen(!open)}>
        Put on the drive {open ? '−' : '+'}
      </Button>
      {open &&
        toolsFor(sheet).map((name) => (
          <Button
            key={name}
            variant="default"
            onClick={() => {
              setOpen(false)
              tool.take(name)
            }}
          >
            {tools[name].name}
          </Button>
        ))}
    </div>
  )
}
