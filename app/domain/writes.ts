import {
  buildSheetSchema,
  engineSchema,
  entrySchema,
  jobSchema,
  type BuildSheet,
  type Engine,
  type Entry,
  type EntryOf,
  type NewEntry,
  type Job,
} from '@link-count/core/model'
import { citedSheets, nextStamp, sheetIdNow } from '@link-count/core/ledger'
import type { Guard } from '@link-count/core/guard'
import { engineSelectors } from './engines'
import { commit, taken, type Made, type Outside } from './commit'
import { deviceOf } from './device'
import type { DraftRow, PictureRow } from './env'
import { WriteError } from './failure'
import { jobSelectors } from './jobs'
import { newestSheet } from './sheets'
import type { AppThunk, RootState } from './state'
import { selectAllJobs, selectSheets } from './selectors'
import { guardWith, selectJobView } from './views'

/* Every write of records is here, or in removals, and goes one way: parse, commit, then the same value is in the state. A write that fails leaves the state as it was.
 * `takes`: what was typed for it; its drafts go in the same batch, unless something else is typed there by then. */

export function entriesOf(state: RootState, engineId: string): readonly Entry[] {
  const open = state.opened[engineId]
  // Without what was written before, a line would be given a place that is taken.
  if (!open) throw new WriteError('gone', `Engine ${engineId} is not open`)
  return open.entries
}

/** A new engine with its first build sheet. */
export const beginEngine = (engine: Engine, sheet: BuildSheet, takes: readonly DraftRow[] = []) =>
  commit((state) => ({
    batch: {
      put: { engines: [engineSchema.parse(engine)], sheets: [buildSheetSchema.parse(sheet)] },
      ...taken(state, takes),
    },
    give: undefined,
  }))

/** Changes what an engine is called, its words, its tags, or whether it is put away: as it is when the write has its turn. */
export const changeEngine = (engineId: string, change: (engine: Engine) => Engine, takes: readonly DraftRow[] = []) =>
  commit((state): Made<Engine> => {
    const engine = engineSelectors.selectById(state.engines, engineId)
    if (!engine) throw new WriteError('gone', `There is no engine ${engineId}`)
    const row = engineSchema.parse({ ...change(engine), id: engine.id, at: engine.at })
    return { batch: { put: { engines: [row] }, ...taken(state, takes) }, give: row }
  })

/** Changes why a job is here, or whether it is put away: as it is when the write has its turn. */
export const changeJob = (jobId: string, change: (job: Job) => Job, takes: readonly DraftRow[] = []) =>
  commit((state): Made<Job> => {
    const job = jobSelectors.selectById(state.jobs, jobId)
    if (!job) throw new WriteError('gone', `There is no job ${jobId}`)
    const { id, engineId, number, at, sheetId } = job
    const row = jobSchema.parse({ ...change(job), id, engineId, number, at, sheetId })
    return { batch: { put: { jobs: [row] }, ...taken(state, takes) }, give: row }
  })

/** Opens a job, with the first lines of its ledger: what was off or out when it came in. */
export const openJob = (
  job: Omit<Job, 'id' | 'at' | 'number'>,
  takes: readonly DraftRow[] = [],
  came: readonly NewEntry[] = [],
) =>
  commit((state, env) => {
    const { newId, now } = env
    if (!engineSelectors.selectById(state.engines, job.engineId)) throw new WriteError('gone', 'The engine is gone')
    const before = jobSelectors.selectAll(state.jobs).filter(({ engineId }) => engineId === job.engineId)
    const number = before.reduce((most, one) => Math.max(most, one.number), 0) + 1
    const row = jobSchema.parse({ ...job, id: newId(), at: now(), number })
    const entries = came.length > 0 ? linesFor(state, env, row, came) : []
    return { batch: { put: { jobs: [row], entries }, ...taken(state, takes) }, give: row }
  })

/** The lines that are to be said in a job's ledger, in order, as they are then stored. */
function linesOf(state: RootState, { newId, now }: Outside, jobId: string, newEntries: readonly NewEntry[]): Entry[] {
  const job = jobSelectors.selectById(state.jobs, jobId)
  if (!job) throw new WriteError('gone', `There is no job ${jobId}`)
  return linesFor(state, { newId, now }, job, newEntries)
}

function linesFor(
  state: RootState,
  { newId, now }: Pick<Outside, 'newId' | 'now'>,
  job: Job,
  newEntries: readonly NewEntry[],
): Entry[] {
  const jobId = job.id
  const onEngine = entriesOf(state, job.engineId)
  const sheetId = selectJobView(state, jobId)?.sheet.id ?? sheetIdNow(job, onEngine)
  const device = deviceOf(state)
  const { counter, seen } = nextStamp(onEngine, device)
  return newEntries.map((newEntry, i) =>
    entrySchema.parse({
      conditions: [],
      typed: [],
      ...newEntry,
      id: newId(),
      jobId,
      sheetId,
      device,
      counter: counter + i,
      seen,
      at: now(),
      seenFrom: state.screen.side,
    }),
  )
}

/** Says things in a job's ledger, in order, as one write. */
export const say = (jobId: string, newEntries: readonly NewEntry[], takes: readonly DraftRow[] = []) =>
  commit((state, env): Made<readonly Entry[]> => {
    const rows = linesOf(state, env, jobId, newEntries)
    return { batch: { put: { entries: rows }, ...taken(state, takes) }, give: rows }
  })

/** Keeps a picture and says so in the ledger, as one write. */
export const addPicture = (
  jobId: string,
  blob: Blob,
  said: { readonly caption: string; readonly stepId: string; readonly of?: EntryOf<'picture'>['of'] },
  takes: readonly DraftRow[] = [],
) =>
  commit((state, env) => {
    const id = env.newId()
    const mediaType = blob.type as 'image/jpeg'
    const picture: PictureRow = { id, jobId, blob }
    const entries = linesOf(state, env, jobId, [
      { kind: 'picture', pictureId: id, mediaType, bytes: blob.size, ...said },
    ])
    return { batch: { put: { pictures: [picture], entries }, ...taken(state, takes) }, give: undefined }
  })

/** Keeps a recording and says what was heard in it, as one write. `heard`: the lines, by the id of the recording. */
export const addSound = (
  jobId: string,
  blob: Blob,
  said: { readonly caption: string; readonly stepId: string },
  heard: (soundId: string) => readonly NewEntry[],
) =>
  commit((state, env) => {
    const id = env.newId()
    const recording: NewEntry = { kind: 'picture', pictureId: id, mediaType: 'audio/wav', bytes: blob.size, ...said }
    const entries = linesOf(state, env, jobId, [recording, ...heard(id)])
    return { batch: { put: { pictures: [{ id, jobId, blob }], entries } }, give: entries }
  })

/** The guard as it would be with one more line of a job's ledger; nothing is written. */
export const guardIfSaid =
  (jobId: string, newEntry: NewEntry): AppThunk<Guard | undefined> =>
  (_dispatch, getState) =>
    guardWith(getState(), jobId, newEntry, deviceOf(getState()))

/** Changes the newest build sheet as it is when the write has its turn, so that another field changed meanwhile stays. A version that an entry or a job
 *  cites is never touched: the change makes the next one. */
export const changeSheet = (
  engineId: string,
  change: (sheet: BuildSheet) => BuildSheet,
  takes: readonly DraftRow[] = [],
) =>
  commit((state, env): Made<BuildSheet> => {
    const row = changedSheet(state, env, engineId, change)
    return { batch: { put: { sheets: [row] }, ...taken(state, takes) }, give: row }
  })

function changedSheet(
  state: RootState,
  { newId, now }: Outside,
  engineId: string,
  change: (sheet: BuildSheet) => BuildSheet,
): BuildSheet {
  const newest = newestSheet(selectSheets(state, engineId))
  if (!newest) throw new WriteError('gone', `Engine ${engineId} has no build sheet`)
  const cited = citedSheets(selectAllJobs(state, engineId), entriesOf(state, engineId)).has(newest.id)
  const changed = change(newest)
  return buildSheetSchema.parse(
    cited ? { ...changed, id: newId(), version: newest.version + 1, at: now() } : { ...changed, id: newest.id },
  )
}

/** Changes the newest build sheet and takes it up in a job, as one write. */
export const changeSheetInJob = (
  jobId: string,
  change: (sheet: BuildSheet) => BuildSheet,
  takes: readonly DraftRow[] = [],
) =>
  commit((state, env): Made<BuildSheet> => {
    const engineId = jobSelectors.selectById(state.jobs, jobId)?.engineId ?? ''
    const row = changedSheet(state, env, engineId, change)
    const entries = linesOf(state, env, jobId, [{ kind: 'sheet', toSheetId: row.id }])
    return { batch: { put: { sheets: [row], entries }, ...taken(state, takes) }, give: row }
  })

/** Says which of several build sheets of one number is right: the next number is like it. */
export const chooseSheet = (sheetId: string) =>
  commit((state, { newId, now }) => {
    const chosen = Object.values(state.opened)
      .flatMap(({ sheets }) => sheets)
      .find(({ id }) => id === sheetId)
    if (!chosen) throw new WriteError('gone', `There is no build sheet ${sheetId}`)
    const row = buildSheetSchema.parse({ ...chosen, id: newId(), version: chosen.version + 1, at: now() })
    return { batch: { put: { sheets: [row] } }, give: row }
  })
