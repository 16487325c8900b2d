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
