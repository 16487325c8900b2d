import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { Entry } from '../model/entry'
import { foldEngine, stateOfJob } from './engineFold'
import { orderEntries, struckIds } from './order'
import type { JobState } from './state'
import { toSheetIdOf } from './stand/engineRead'

/** The state of a job: what was found, set and left in it, and how the engine stands. `jobs` and `entries`: of the whole engine, this job's and the
 *  others', whose stand it takes over; without them the job is the only one. `sheets` holds the versions that may be cited; the newest one taken on by
 *  an entry is used for the figures. Folded whole; see `foldEngine` for many jobs, or one line more. */
export const foldJob = ({
  job,
  jobs = [job],
  ...ledger
}: {
  job: Job
  jobs?: readonly Job[]
  sheets: readonly BuildSheet[]
  entries: readonly Entry[]
  /** Other jobs of the engine whose ledgers cannot be read. */
  unreadable?: ReadonlySet<string> | undefined
}): JobState => stateOfJob(foldEngine({ jobs, ...ledger }), job.id)

/** The build sheet that a job's next entry is made against: the newest one that a live entry of it took on. */
export function sheetIdNow(job: Job, entries: readonly Entry[]): string {
  const ordered = orderEntries(entries.filter(({ jobId }) => jobId === job.id))
  const struck = struckIds(ordered)
  return toSheetIdOf(ordered.filter(({ id }) => !struck.has(id))) ?? job.sheetId
}
