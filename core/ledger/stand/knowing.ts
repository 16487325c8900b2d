import { byId } from '../../byId'
import type { Job } from '../../model/engine'
import type { Entry } from '../../model/entry'

/* Who knew what when it was written. Entries made since engines have one counter carry `seen`; older ones count within their job. */

const compareText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

export type JobOfOrder = Pick<Job, 'id' | 'number' | 'at'>

/** Jobs in the order of their numbers; two that bear one number by the time they were opened. */
export const compareJobs = (a: JobOfOrder, b: JobOfOrder) =>
  a.number - b.number || compareText(a.at, b.at) || compareText(a.id, b.id)

/** All entries of an engine, each once, in the one order that every device agrees on: those without `seen` first, job by job, then the rest
 *  by counter, device and id. A counter is one more than every counter known, so nobody's entry comes before what it knew. */
export function orderEngineEntries(jobs: readonly JobOfOrder[], entries: readonly Entry[]): Entry[] {
  const rank = new Map([...jobs].sort(compareJobs).map(({ id }, i) => [id, i]))
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  const within = (a: Entry, b: Entry) =>
    a.counter - b.counter || compareText(a.device, b.device) || compareText(a.id, b.id)
  return [...byId.values()].sort((a, b) => {
    if (!a.seen !== !b.seen) return a.seen ? 1 : -1
    const byJob = a.seen ? 0 : (rank.get(a.jobId) ?? 0) - (rank.get(b.jobId) ?? 0)
    return byJob || within(a, b)
  })
}

export type Knew = (later: Entry, earlier: Entry) => boolean

/** Whether an entry was written with an earlier one known. A device knows what it wrote itself, and of others what `seen` says. Without `seen`: in a
 *  job the counters tell, since each is one more than the highest known; of jobs that bear different numbers the later knew the earlier. Two entries of one device with
 *  one counter know nothing of each other: a copy was written on twice. */
export function whoKnew(jobs: readonly JobOfOrder[], ordered: readonly Entry[]): Knew {
  const job = new Map(jobs.map((one) => [one.id, one]))
  const old = knownInOldJobs(ordered)
  const twice = writtenTwice(ordered)
  return (later, earlier) => {
    if (later.device === earlier.device) {
      // A copy was written on twice: from there on nothing by that name is known to have come after the rest.
      const from = twice.get(later.device)
      if (from !== undefined && earlier.counter >= from && later.id !== earlier.id) return false
    }
    if (later.device === earlier.device && !later.seen === !earlier.seen && later.jobId === earlier.jobId)
      return later.counter > earlier.counter
    if (later.seen) {
      if (later.device === earlier.device) return earlier.seen ? later.counter > earlier.counter : true
      const seen = Object.hasOwn(later.seen, earlier.device) ? later.seen[earlier.device] : undefined
      return earlier.seen ? (seen ?? 0) >= earlier.counter : seen !== undefined
    }
    if (earlier.seen) return false
    if (later.jobId === earlier.jobId) return (old.get(later.id)?.get(earlier.device) ?? 0) >= earlier.counter
    const [a, b] = [job.get(earlier.jobId)?.number, job.get(later.jobId)?.number]
    return later.device === earlier.device || a !== b
  }
}

/** The first counter under which a device wrote two different entries of one engine, by device: a copy that came back was written on beside the one that was
 *  thought lost. Only entries with `seen` count on the whole engine. */
export function writtenTwice(entries: readonly Entry[]): ReadonlyMap<string, number> {
  const ids = new Map<string, string>()
  const twice = new Map<string, number>()
  for (const { id, device, counter, seen } of entries) {
    if (!seen) continue
    const key = `${device} ${counter}`
    const before = ids.get(key)
    if (before === undefined) ids.set(key, id)
    else if (before !== id) twice.set(device, Math.min(twice.get(device) ?? Infinity, counter))
  }
  return twice
}

/** What each entry without `seen` knew of other devices in its job: a counter that jumps shows that the entry before it was known, with all that
 *  one knew. Where two devices wrote under that counter it cannot be told which, so neither is taken as known. */
function knownInOldJobs(ordered: readonly Entry[]): ReadonlyMap<string, ReadonlyMap<string, number>> {
  const known = new Map<string, ReadonlyMap<string, number>>()
  const at = new Map<string, Entry[]>()
  const own = new Map<string, { readonly counter: number; readonly known: ReadonlyMap<string, number> }>()
  for (const entry of ordered) {
    if (entry.seen) continue
    const mine = `${entry.jobId} ${entry.device}`
    const before = own.get(mine)
    const here = new Map(before?.known)
    if (before?.counter !== entry.counter - 1) {
      const others = at.get(`${entry.jobId} ${entry.counter - 1}`) ?? []
      const [only] = others
      if (others.length === 1 && only) {
        for (const [device, counter] of known.get(only.id) ?? [])
          here.set(device, Math.max(here.get(device) ?? 0, counter))
        here.set(only.device, Math.max(here.get(only.device) ?? 0, only.counter))
      }
    }
    known.set(entry.id, here)
    own.set(mine, { counter: entry.counter, known: here })
    const place = `${entry.jobId} ${entry.counter}`
    at.set(place, [...(at.get(place) ?? []), entry])
  }
  return known
}

/** The counter of a device's next entry on an engine, and what it then has seen of the others. */
export function nextStamp(
  entries: readonly Entry[],
  device: string,
): { readonly counter: number; readonly seen: Record<string, number> } {
  const seen = new Map<string, number>()
  let most = 0
  for (const entry of entries) {
    most = Math.max(most, entry.counter)
    if (entry.device !== device) seen.set(entry.device, Math.max(seen.get(entry.device) ?? 0, entry.counter))
  }
  return { counter: most + 1, seen: byId(seen) }
}
