import type { Entry } from '../../model/entry'
import { orderEngineEntries, whoKnew, writtenTwice, type JobOfOrder } from './knowing'

/** Entries of an engine that were written beside others which they did not know of, on another device; by id. Looked at from the newest: work by one device
 *  alone overlaps with nothing and is not gone through. */
export function overlappingWork(jobs: readonly JobOfOrder[], entries: readonly Entry[]): ReadonlySet<string> {
  const ids = new Set<string>()
  const twice = writtenTwice(entries)
  if (new Set(entries.map(({ device }) => device)).size < 2 && twice.size === 0) return ids
  for (const { id, device, counter, seen } of entries)
    if (seen && counter >= (twice.get(device) ?? Infinity)) ids.add(id)
  const ordered = orderEngineEntries(jobs, entries)
  const knew = whoKnew(jobs, ordered)
  const before = new Map<string, Entry[]>()
  for (const entry of ordered) {
    for (const [device, theirs] of before) {
      if (device === entry.device) continue
      // A device knows what another wrote up to some point: everything after that overlaps.
      for (let i = theirs.length - 1; i >= 0; i--) {
        const other = theirs[i] as Entry
        if (knew(entry, other)) break
        ids.add(entry.id)
        ids.add(other.id)
      }
    }
    const own = before.get(entry.device)
    if (own) own.push(entry)
    else before.set(entry.device, [entry])
  }
  return ids
}
