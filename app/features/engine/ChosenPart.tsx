import { createContext, useContext } from 'react'
import { useSheetEditor } from './SheetEditor'

/** The part whose panel is open, and the answer whose figures are asked for one after the other. */
interface ChosenPart {
  readonly key: string
  readonly choose: (key: string) => void
  /** The name of its line; empty while the figure that buys most is asked for. */
  readonly asked: string
  readonly ask: (answer: string) => void
}

const ChosenPartContext = createContext<ChosenPart | undefined>(undefined)
export const ChosenPartProvider = ChosenPartContext.Provider

export function useChosenPart(): ChosenPart {
  const chosen = useContext(ChosenPartContext)
  if (!chosen) throw new Error('Broken invariant: no part can be chosen here')
  return chosen
}

/** The draft of a figure of the part that is open: what is typed and not taken is found again by its part. */
export function useFigureKey(id: string): string {
  const { engineId } = useSheetEditor()
  const { key } = useChosenPart()
  return `${typedPrefix(engineId)}${key}|${id}`
}

/** What drafts of an engine's parts begin with. */
export const typedPrefix = (engineId: string) => `part:${engineId}|`
