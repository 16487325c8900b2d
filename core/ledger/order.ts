import type { Entry } from '../model/entry'

const compareText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** The one order of a job's entries that every device agrees on after files are merged. A device's counter is one more than the highest it
 *  knew, so a later look at the engine sorts later; entries from before `seen` come first; ties between devices go by device, then id. */
export const compareEntries = (a: Entry, b: Entry) =>
  Number(a.seen !== undefined) - Number(b.seen !== undefined) ||
  a.counter - b.counter ||
  compareText(a.device, b.device) ||
  compareText(a.id, b.id)

/** Each entry once, in order. */
export function orderEntries(entries: readonly Entry[]): Entry[] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  return [...byId.values()].sort(compareEntries)
}

/** The ids that are struck now. A strike strikes an earlier entry; a strike that is itself struck strikes nothing. */
export function struckIds(ordered: readonly Entry[]): ReadonlySet<string> {
  const place = new Map(ordered.map((entry, i) => [entry.id, i]))
  const struck = new Set<string>()
  for (let i = ordered.length - 1; i >= 0; i--) {
    const entry = ordered[i]
    if (entry?.kind !== 'strike' || struck.has(entry.id)) continue
    if ((place.get(entry.targetId) ?? Infinity) < i) struck.add(entry.targetId)
  }
  for (const id of unsaidWithBolts(ordered, struck)) struck.add(id)
  return struck
}

/** Lines that said that bolts are tight because each was written as through: with one of those struck since, they say it no more. */
function unsaidWithBolts(ordered: readonly Entry[], struck: ReadonlySet<string>): string[] {
  const bolts = new Map(ordered.map((entry, i) => [entry.id, { entry, i }]))
  const strikes = ordered.flatMap((strike) => {
    const bolt = strike.kind === 'strike' && !struck.has(strike.id) ? bolts.get(strike.targetId) : undefined
    return bolt?.entry.kind === 'bolt' && struck.has(bolt.entry.id) ? [{ strike, bolt: bolt.entry, at: bolt.i }] : []
  })
  if (strikes.length === 0) return []
  return ordered.flatMap((tight, i) =>
    tight.kind === 'item' &&
    strikes.some(
      ({ strike, bolt, at }) =>
        bolt.groupId === tight.boltGroupId && bolt.jobId === tight.jobId && at < i && !writtenAfter(tight, strike),
    )
      ? [tight.id]
      : [],
  )
}

const writtenAfter = (entry: Entry, other: Entry) =>
  entry.device === other.device ? entry.counter > other.counter : (entry.seen?.[other.device] ?? 0) >= other.counter

/** The entry that "undo" would strike: the last live one, strikes included (undoing an undo brings it back). */
export function lastLive(entries: readonly Entry[]): Entry | undefined {
  const ordered = orderEntries(entries)
  const struck = struckIds(ordered)
  return ordered.findLast(({ id, kind }) => !struck.has(id) && kind !== 'strike')
}
