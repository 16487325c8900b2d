/* What this browser notes of a workshop outside of its database, to see that the database was lost. A browser may have no such place, or refuse it. */

const attempt = <T>(work: () => T): T | undefined => {
  try {
    return work()
  } catch {
    return undefined
  }
}

const keyOf = (kind: string) => `link-count-${kind}-records`

/** How many records the workshop had when something was last written here. */
export function notedRecords(kind: string): number {
  return Number(attempt(() => localStorage.getItem(keyOf(kind))) ?? 0) || 0
}

export function noteRecords(kind: string, records: number): void {
  attempt(() => localStorage.setItem(keyOf(kind), String(records)))
}

const typingOf = (kind: string) => `link-count-${kind}-typing-`

export type Typed = readonly (readonly [fieldId: string, text: string | undefined])[]
interface TypedNote {
  /** Where the workshop stood when it was typed. */
  readonly after: number
  readonly typed: readonly (readonly [string, string | null])[]
}

/** What a tab has typed and not stored yet, with where the workshop stood then. */
export function noteTyped(kind: string, tab: string, waiting: Typed, after: number): void {
  const key = typingOf(kind) + tab
  const note: TypedNote = { after, typed: waiting.map(([id, text]) => [id, text ?? null]) }
  attempt(() => (waiting.length === 0 ? localStorage.removeItem(key) : localStorage.setItem(key, JSON.stringify(note))))
}

/** What tabs had typed when they were closed over it; told once. A browser that was killed may have kept an older note of what was stored since: one from
 *  before the workshop stood where it `stands` is left alone. */
export function takeTypedLeft(kind: string, stands: number): Typed {
  const keys = attempt(() => Object.keys(localStorage).filter((key) => key.startsWith(typingOf(kind)))) ?? []
  return keys.flatMap((key) => {
    const note = attempt(() => JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<TypedNote> | null)
    attempt(() => localStorage.removeItem(key))
    if (!note?.typed || note.after === undefined || note.after < stands) return []
    return note.typed.map(([id, text]) => [id, text ?? undefined] as const)
  })
}
