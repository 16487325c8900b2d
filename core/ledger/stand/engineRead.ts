import type { BuildSheet } from '../../model/buildSheet'
import type { Job } from '../../model/engine'
import type { Entry } from '../../model/entry'
import { kindOf, isNothing, leansOnWheel } from '../kinds'
import { struckIds } from '../order'
import { readZeros } from '../readZeros'
import { stopStayedIn } from '../zeros'
import { orderEngineEntries, whoKnew, type Knew } from './knowing'
import { lostJobsOf } from './lostJobs'
import type { JobFigures, LostJob } from './stand'

/** Everything that was written on one engine. */
export interface EngineLedger {
  readonly jobs: readonly Job[]
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
  /** Jobs whose ledgers cannot be read. */
  readonly unreadable?: ReadonlySet<string> | undefined
}

/** The same, put in order: what every fold over it goes by. */
export interface EngineRead {
  readonly ledger: EngineLedger
  readonly byJob: ReadonlyMap<string, Job>
  readonly sheets: ReadonlyMap<string, BuildSheet>
  /** All lines, in the order that every device agrees on; struck ones and strikes too. */
  readonly ordered: readonly Entry[]
  readonly struck: ReadonlySet<string>
  /** Lines that hold, in order; of the whole engine, and of each job. */
  readonly live: readonly Entry[]
  readonly liveOf: ReadonlyMap<string, readonly Entry[]>
  readonly figures: ReadonlyMap<string, JobFigures>
  readonly knew: Knew
  readonly lost: ReadonlyMap<string, LostJob & { readonly counter: number | undefined }>
}

export function readEngine(ledger: EngineLedger): EngineRead {
  const { jobs, entries, unreadable } = ledger
  const byJob = new Map(jobs.map((job) => [job.id, job]))
  const sheets = new Map(ledger.sheets.map((sheet) => [sheet.id, sheet]))
  const ordered = orderEngineEntries(
    jobs,
    entries.filter((entry) => byJob.has(entry.jobId)),
  )
  const struck = struckIds(ordered)
  const live = ordered.filter(({ id, kind }) => !struck.has(id) && kind !== 'strike')
  const liveOf = new Map<string, Entry[]>(jobs.map(({ id }) => [id, []]))
  for (const entry of live) liveOf.get(entry.jobId)?.push(entry)
  const figures = new Map(
    jobs.flatMap((job): [string, JobFigures][] => {
      const its = liveOf.get(job.id) ?? []
      const sheet = sheets.get(toSheetIdOf(its) ?? '') ?? sheets.get(job.sheetId)
      return sheet ? [[job.id, { sheet, zeros: readZeros(its, sheet) }]] : []
    }),
  )
  const lost = lostJobsOf(jobs, entries, ({ id }) => figures.has(id) && !unreadable?.has(id))
  return { ledger, byJob, sheets, ordered, struck, live, liveOf, figures, knew: whoKnew(jobs, ordered), lost }
}

/** The newest build sheet that lines of a job took up. */
export const toSheetIdOf = (live: readonly Entry[]) => live.findLast((entry) => entry.kind === 'sheet')?.toSheetId

/** One line more, at the end; undefined where that is not enough: it does not come last, or it changes what lines before it say. */
export function readOn(read: EngineRead, entry: Entry): EngineRead | undefined {
  const { ledger, byJob, ordered, live, liveOf, lost } = read
  const its = read.figures.get(entry.jobId)
  const last = ordered.at(-1)
  const isLast = entry.seen && (!last?.seen || entry.counter > last.counter)
  if (!its || !byJob.has(entry.jobId) || lost.size > 0 || !isLast || reachesBack(entry)) return undefined
  const figures = new Map(read.figures)
  const ofJob = [...(liveOf.get(entry.jobId) ?? []), entry]
  const { zeros } = its
  figures.set(entry.jobId, {
    ...its,
    zeros: {
      ...zeros,
      frameOf: leansOnWheel(entry) ? new Map(zeros.frameOf).set(entry.id, zeros.frames.length - 1) : zeros.frameOf,
      stopStayedIn: entry.kind === 'item' ? stopStayedIn(ofJob) : zeros.stopStayedIn,
    },
  })
  return {
    ...read,
    ledger: { ...ledger, entries: [...ledger.entries, entry] },
    ordered: [...ordered, entry],
    live: [...live, entry],
    liveOf: new Map(liveOf).set(entry.jobId, ofJob),
    figures,
  }
}

const reachesBack = (entry: Entry) => {
  // It may be said without knowing that one of its bolts was struck.
  if (entry.kind === 'item' && entry.boltGroupId !== undefined) return true
  const { inJob } = kindOf(entry)
  return isNothing(inJob) && inJob.reachesBack
}
