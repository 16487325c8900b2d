import { createContext, useContext } from 'react'
import type { BuildSheet } from '@link-count/core/model'
import type { Taken } from '../../ui/fields'
import type { SheetChange } from './sheetChanges'

interface SheetEditor {
  readonly engineId: string
  readonly sheet: BuildSheet
  /** Changes the sheet; what was typed for it in these fields goes in the same write. Undefined: it was not written, and that was told. */
  readonly apply: (change: SheetChange, typed?: readonly Taken[]) => Promise<BuildSheet | undefined>
}

const SheetEditorContext = createContext<SheetEditor | undefined>(undefined)
export const SheetEditorProvider = SheetEditorContext.Provider

export function useSheetEditor(): SheetEditor {
  const editor = useContext(SheetEditorContext)
  if (!editor) throw new Error('Broken invariant: no build sheet is being edited')
  return editor
}
