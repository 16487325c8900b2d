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

/** What a tab has typed and not stored yet. */
export function noteTyped(
  kind: string,
  tab: string,
  waiting: readonly (readonly [string, string | undefined])[],
): void {
  const key = typingOf(kind) + tab
  attempt(() =>
    waiting.length === 0
      ? localStorage.removeItem(key)
      : localStorage.setItem(key, JSON.stringify(waiting.map(([id, text]) => [id, text ?? null]))),
  )
}

/** What tabs had typed when they were closed over it; told once. */
export function takeTypedLeft(kind: string): readonly (readonly [string, string | undefined])[] {
  const keys = attempt(() => Object.keys(localStorage).filter((key) => key.startsWith(typingOf(kind)))) ?? []
  return keys.flatMap((key) => {
    const left = attempt(() => JSON.parse(localStorage.getItem(key) ?? '[]') as [string, string | null][]) ?? []
    attempt(() => localStorage.removeItem(key))
    return left.map(([id, text]) => [id, text ?? undefined] as const)
  })
}
