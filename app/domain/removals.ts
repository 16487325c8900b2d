import { saysOfStand } from '@link-count/core/ledger'
import type { BuildSheet, Engine, Entry, Job } from '@link-count/core/model'
import { commit, type Made } from './commit'
import { engineSelectors } from './engines'
import type { PictureRow } from './env'
import { WriteError } from './failure'
import { jobSelectors } from './jobs'
import { selectAllJobs, selectSheets } from './selectors'
import type { AppThunk, RootState } from './state'
import { selectJobView } from './views'
import { entriesOf } from './writes'

/** What went with a deletion: all that brings it back. */
export interface Gone {
  readonly engines: readonly Engine[]
  readonly sheets: readonly BuildSheet[]
  readonly jobs: readonly Job[]
  readonly entries: readonly Entry[]
  readonly pictures: readonly PictureRow[]
}

/** Deletes a job. That it was there stays, as a record of its own: what it said of how the engine stands is not known until somebody looks. Gives what went. */
export const removeJob =
  (jobId: string): AppThunk<Promise<Gone>> =>
  async (dispatch, getState, env) => {
    const pictures = await picturesOf(linesOf(getState(), [jobId]), env)
    const gone = await dispatch(
      commit((state, { now }): Made<Omit<Gone, 'pictures'>> => {
        const job = jobOf(state, jobId)
        const entries = linesOf(state, [jobId])
        const counters = entries.map(({ counter }) => counter).filter((n) => Number.isInteger(n) && n > 0 && n < 1e9)
        // Of a ledger that cannot be read nobody knows what it said.
        const isRead = selectJobView(state, jobId) !== undefined
        const saidNothing = isRead && !entries.some(saysOfStand) ? { saidNothing: true } : {}
        const row: Job = { ...job, removed: { at: now(), counter: Math.max(0, ...counters), ...saidNothing } }
        return {
          batch: { put: { jobs: [row] }, drop: { entries: idsOf(entries), pictures: picturesIn(entries) } },
          give: { engines: [], sheets: [], jobs: [row], entries },
        }
      }),
    )
    return { ...gone, pictures }
  }

/** Deletes an engine with everything on it. That it was there stays, so that no copy and no file brings it back by itself. Gives what went. */
export const removeEngine =
  (engineId: string): AppThunk<Promise<Gone>> =>
  async (dispatch, getState, env) => {
    const pictures = await picturesOf(entriesOf(getState(), engineId), env)
    const gone = await dispatch(
      commit((state, { now }): Made<Omit<Gone, 'pictures'>> => {
        const engine = engineSelectors.selectById(state.engines, engineId)
        if (!engine) throw new WriteError('gone', `There is no engine ${engineId}`)
        const entries = entriesOf(state, engineId)
        const [jobs, sheets] = [selectAllJobs(state, engineId), selectSheets(state, engineId)]
        const row: Engine = { ...engine, removed: { at: now() } }
        return {
          batch: {
            put: { engines: [row] },
            drop: {
              sheets: idsOf(sheets),
              jobs: idsOf(jobs),
              entries: idsOf(entries),
              pictures: picturesIn(entries),
              summaries: [engineId],
            },
          },
          give: { engines: [row], sheets, jobs, entries },
        }
      }),
    )
    return { ...gone, pictures }
  }

/** Brings back what was deleted, with everything that went. */
export const bringBack = ({ engines, sheets, jobs, entries, pictures }: Gone) =>
  commit((_state, { now }): Made<undefined> => {
    const back = <T extends Engine | Job>(one: T): T =>
      one.removed ? { ...one, removed: { ...one.removed, restoredAt: now() } } : one
    const rows = { engines: engines.map(back), sheets, jobs: engines.length > 0 ? jobs : jobs.map(back), entries }
    return { batch: { put: { ...rows, pictures } }, give: undefined }
  })

function jobOf(state: RootState, jobId: string): Job {
  const job = jobSelectors.selectById(state.jobs, jobId)
  if (!job) throw new WriteError('gone', `There is no job ${jobId}`)
  return job
}

function linesOf(state: RootState, jobIds: readonly string[]): Entry[] {
  const [first] = jobIds
  const { engineId } = jobOf(state, first ?? '')
  return entriesOf(state, engineId).filter(({ jobId }) => jobIds.includes(jobId))
}

const idsOf = (rows: readonly { readonly id: string }[]) => rows.map(({ id }) => id)
const picturesIn = (entries: readonly Entry[]) =>
  entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : []))

async function picturesOf(
  entries: readonly Entry[],
  { readPicture }: { readonly readPicture: (id: string) => Promise<Blob | undefined> },
): Promise<PictureRow[]> {
  const rows: PictureRow[] = []
  for (const entry of entries) {
    if (entry.kind !== 'picture') continue
    const blob = await readPicture(entry.pictureId)
    if (blob) rows.push({ id: entry.pictureId, jobId: entry.jobId, blob })
  }
  return rows
}
