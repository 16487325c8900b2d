import { saysOfStand } from '../ledger'
import { isRemoved, type Engine, type Entry, type Job, type Records } from '../model'

/** What is deleted on one side and still there on the other. */
export interface Deleted {
  readonly list: 'engines' | 'jobs'
  readonly id: string
  readonly name: string
  /** On which side it was deleted. */
  readonly by: 'here' | 'file'
}

/** Records of one side with those brought back that somebody wants to keep. */
export function broughtBack(records: Records, keep: ReadonlySet<string>, at: string): Records {
  if (keep.size === 0) return records
  const back = <T extends Engine | Job>(one: T): T =>
    one.removed && keep.has(one.id) ? { ...one, removed: { ...one.removed, restoredAt: at } } : one
  return { ...records, engines: records.engines.map(back), jobs: records.jobs.map(back) }
}

/** That two copies of a job were deleted, made one. That it said nothing of the engine's stand holds only when no copy has a line that did. */
export function mergeRemoved(
  [one, two]: readonly [Job, Job],
  lines: readonly Entry[],
): { readonly removed?: NonNullable<Job['removed']> } {
  const both = [one.removed, two.removed].flatMap((removed) => removed ?? [])
  if (both.length === 0) return {}
  const latest = (times: readonly (string | undefined)[]) =>
    times
      .flatMap((time) => time ?? [])
      .sort()
      .at(-1)
  const saidNothing = both.every((removed) => removed.saidNothing === true) && !lines.some(saysOfStand)
  const counter = Math.max(...both.map((removed) => removed.counter), ...lines.map((line) => line.counter))
  const restoredAt = latest(both.map((removed) => removed.restoredAt))
  return {
    removed: {
      at: latest(both.map(({ at }) => at)) ?? '',
      counter,
      ...(saidNothing ? { saidNothing } : {}),
      ...(restoredAt === undefined ? {} : { restoredAt }),
    },
  }
}

/** The records without what is deleted: of a deleted job its lines go, of a deleted engine everything but that it was there. */
export function withoutDeleted({ engines, sheets, jobs, entries }: Records): Records {
  const gone = new Set(engines.filter(isRemoved).map(({ id }) => id))
  const left = jobs.filter(({ engineId }) => !gone.has(engineId))
  const speaking = new Set(left.flatMap((job) => (isRemoved(job) ? [] : [job.id])))
  return {
    engines,
    sheets: sheets.filter(({ engineId }) => !gone.has(engineId)),
    jobs: left,
    entries: entries.filter(({ jobId }) => speaking.has(jobId)),
  }
}

/** What one side deleted and the other still has. */
export function deletedOf(mine: Records, theirs: Records): Deleted[] {
  const of = <T extends Engine | Job>(
    list: Deleted['list'],
    ours: readonly T[],
    other: readonly T[],
    name: (one: T) => string,
  ) => {
    const here = new Map(ours.map((one) => [one.id, one]))
    return other.flatMap((one): Deleted[] => {
      const own = here.get(one.id)
      if (!own || isRemoved(own) === isRemoved(one)) return []
      return [{ list, id: one.id, name: name(own), by: isRemoved(own) ? 'here' : 'file' }]
    })
  }
  const names = new Map(mine.engines.map(({ id, name }) => [id, name]))
  return [
    ...of('engines', mine.engines, theirs.engines, ({ name }) => name),
    ...of('jobs', mine.jobs, theirs.jobs, ({ engineId, number }) => `${names.get(engineId) ?? ''}, job ${number}`),
  ]
}
