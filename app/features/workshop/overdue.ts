/** So many entries, or days with anything new, that are in no file are worth a plain word. */
const MANY_ENTRIES = 50
const MANY_DAYS = 14
const DAY_MS = 86_400_000

export interface Saved {
  /** When everything was last saved to a file; never, where it is missing. */
  readonly savedAt: string | undefined
  readonly savedEntries: number
}

/** How many entries are in no file, and whether that is long or much enough to say so plainly. Never saved counts from the first entry. */
export function unsaved(
  { savedAt, savedEntries }: Saved,
  { entries, firstAt = '' }: { readonly entries: number; readonly firstAt: string | undefined },
  now: string,
): { readonly count: number; readonly isOverdue: boolean } {
  const count = Math.max(0, entries - savedEntries)
  const since = savedAt ?? (firstAt === '' ? now : firstAt)
  const days = (Date.parse(now) - Date.parse(since)) / DAY_MS
  return { count, isOverdue: count > 0 && (count >= MANY_ENTRIES || days >= MANY_DAYS) }
}
