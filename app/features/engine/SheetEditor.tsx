import { createContext, useContext } from 'react'
import type { BuildSheet } from '@link-count/core/model'
import type { SheetChange } from './sheetChanges'

interface SheetEditor {
  readonly engineId: string
  readonly sheet: BuildSheet
  readonly apply: (change: SheetChange) => void
}

const SheetEditorContext = createContext<SheetEditor | undefined>(undefined)
export const SheetEditorProvider = SheetEditorContext.Provider

export function useSheetEditor(): SheetEditor {
  const editor = useContext(SheetEditorContext)
  if (!editor) throw new Error('Broken invariant: no build sheet is being edited')
  return editor
}
