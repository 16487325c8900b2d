import { Button } from '@mantine/core'
import { IconArrowBackUp, IconArrowForwardUp } from '@tabler/icons-react'
import type { BuildSheet } from '@link-count/core/model'
import type { SheetChange } from './sheetChanges'
import type { useSheetHistory } from './useSheetHistory'

/** Takes back what was changed since the page was opened, and does it again. */
export function UndoRedo({
  history: { undo, redo, left },
  write,
}: {
  readonly history: ReturnType<typeof useSheetHistory>
  readonly write: (change: SheetChange) => Promise<BuildSheet | undefined>
}) {
  return (
    <>
      <Button variant="quiet" className="square" aria-label="Undo" disabled={!undo} onClick={() => void undo?.(write)}>
        <IconArrowBackUp aria-hidden />
      </Button>
      <Button variant="quiet" className="square" aria-label="Redo" disabled={!redo} onClick={() => void redo?.(write)}>
        <IconArrowForwardUp aria-hidden />
      </Button>
      <p className="unseen" role="status">
        {left > 0 && `${left} left alone: changed elsewhere since.`}
      </p>
    </>
  )
}
