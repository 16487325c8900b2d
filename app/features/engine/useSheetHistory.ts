import { useState } from 'react'
import type { BuildSheet } from '@link-count/core/model'
import { sheetEdits, turnedRound, undoEdits, type SheetEdit } from '@link-count/core/sheet'
import type { SheetChange } from './sheetChanges'

/** Writes a change of the newest build sheet; undefined where it was not written. */
type Write = (change: SheetChange) => Promise<BuildSheet | undefined>

interface History {
  readonly done: readonly (readonly SheetEdit[])[]
  readonly undone: readonly (readonly SheetEdit[])[]
}

/** Steps that are kept to be taken back. */
const MOST = 200

/** What was changed on a build sheet while its page is open, to be taken back and done again. A field that says something else by now, because another page
 *  changed it, is left alone; how many were is told. */
export function useSheetHistory() {
  const [history, setHistory] = useState<History>({ done: [], undone: [] })
  const [left, setLeft] = useState(0)
  const take = (steps: readonly (readonly SheetEdit[])[]) => steps.slice(0, -1)
  /** Passes a change on, and remembers what it changed. */
  const remembering = async (change: SheetChange, write: Write) => {
    let before: BuildSheet | undefined
    const row = await write((sheet) => {
      before = sheet
      return change(sheet)
    })
    const edits = row && before ? sheetEdits(before, row) : []
    if (edits.length > 0) {
      setHistory(({ done }) => ({ done: [...done, edits].slice(-MOST), undone: [] }))
      setLeft(0)
    }
    return row
  }
  const back = async (edits: readonly SheetEdit[] | undefined, write: Write, next: (now: History) => History) => {
    if (!edits) return
    let skipped = 0
    const row = await write((sheet) => {
      const undone = undoEdits(sheet, edits)
      skipped = undone.skipped.length
      return undone.sheet
    })
    if (!row) return
    setLeft(skipped)
    setHistory(next)
  }
  const last = history.done.at(-1)
  const next = history.undone.at(-1)
  return {
    remembering,
    /** Fields that the last undo or redo left alone. */
    left,
    undo:
      last &&
      ((write: Write) =>
        back(last, write, ({ done, undone }) => ({ done: take(done), undone: [...undone, turnedRound(last)] }))),
    redo:
      next &&
      ((write: Write) =>
        back(next, write, ({ done, undone }) => ({ done: [...done, turnedRound(next)], undone: take(undone) }))),
  }
}
