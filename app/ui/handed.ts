import { useSyncExternalStore } from 'react'

/** A file that was handed to the browser, and nobody has said yet that it arrived. */
export interface Handed {
  readonly name: string
  readonly savedAt: string
  readonly entries: number
}

let handed: Handed | undefined
const listeners = new Set<() => void>()

/** Remembers what was handed over last, as long as this page is open; undefined when it was answered. */
export function setHanded(next: Handed | undefined): void {
  handed = next
  for (const listener of listeners) listener()
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
export const useHanded = () => useSyncExternalStore(subscribe, () => handed)
