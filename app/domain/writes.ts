import {
  buildSheetSchema,
  engineSchema,
  entrySchema,
  jobSchema,
  type BuildSheet,
  type Engine,
  type Entry,
  type EntryDraft,
  type Job,
  type Records,
} from '@link-count/core/model'
import { nextStamp, sheetIdNow } from '@link-count/core/ledger'
import type { Guard } from '@link-count/core/guard'
import { draftsSlice } from './drafts'
import { enginesSlice } from './engines'
import { entriesSlice, entrySelectors } from './entries'
import type { DraftRow, PictureRow } from './env'
import { inTurn } from './inTurn'
import { jobsSlice, jobSelectors } from './jobs'
import { metaSlice } from './meta'
import { newestSheet, sheetsSlice, sheetSelectors } from './sheets'
import type { AppThunk } from './state'
import { guardWith } from './views'

/* Every write is here and goes one way: parse, put in the database, then the same value into the state. A put that fails
 * leaves the state as it was. */

export const saveEngine =
  (engine: Engine): AppThunk =>
  async (dispatch, _getState, env) => {
    const row = engineSchema.parse(engine)
    await env.engines.put(row)
    tell(dispatch, env.publish, enginesSlice.actions.put([row]))
  }

export const openJob =
  (job: Omit<Job, 'id' | 'at' | 'number'>): AppThunk<Promise<Job>> =>
  (dispatch, getState, env) =>
    inTurn(env, async () => {
      const before = jobSelectors.selectAll(getState().jobs).filter(({ engineId }) => engineId === job.engineId)
      const number = before.reduce((most, one) => Math.max(most, one.number), 0) + 1
      const row = jobSchema.parse({ ...job, id: env.newId(), at: env.now(), number })
      await env.jobs.put(row)
      tell(dispatch, env.publish, jobsSlice.actions.put([row]))
      return row
    })

/** Says things in a job's ledger, in order, as one write. */
export const say =
  (jobId: string, drafts: readonly EntryDraft[]): AppThunk<Promise<readonly Entry[]>> =>
  (dispatch, getState, env) =>
    inTurn(env, async () => {
      const state = getState()
      const job = jobSelectors.selectById(state.jobs, jobId)
      if (!job) throw new Error(`Broken invariant: no job ${jobId}`)
      const jobIds = new Set(
        jobSelectors
          .selectAll(state.jobs)
          .filter(({ engineId }) => engineId === job.engineId)
          .map(({ id }) => id),
      )
      const onEngine = entrySelectors.selectAll(state.entries).filter((entry) => jobIds.has(entry.jobId))
      const sheetId = sheetIdNow(job, onEngine)
      const { counter, seen } = nextStamp(onEngine, env.device)
      const rows = drafts.map((draft, i) =>
        entrySchema.parse({
          conditions: [],
          typed: [],
          ...draft,
          id: env.newId(),
          jobId,
          sheetId,
          device: env.device,
          counter: counter + i,
          seen,
          at: env.now(),
          seenFrom: state.screen.side,
        }),
      )
      await env.entries.bulkPut(rows)
      tell(dispatch, env.publish, entriesSlice.actions.put(rows))
      return rows
    })

/** The guard as it would be with one more line of a job's ledger; nothing is written. */
export const guardIfSaid =
  (jobId: string, draft: EntryDraft): AppThunk<Guard | undefined> =>
  (_dispatch, getState, env) =>
    guardWith(getState(), jobId, draft, env.device)

/** Changes the newest build sheet. A version that an entry or a job cites is never touched: the change makes the next one. */
export const changeSheet =
  (engineId: string, change: (sheet: BuildSheet) => BuildSheet): AppThunk<Promise<BuildSheet>> =>
  (dispatch, getState, env) =>
    inTurn(env, async () => {
      const state = getState()
      const newest = newestSheet(sheetSelectors.selectAll(state.sheets).filter((sheet) => sheet.engineId === engineId))
      if (!newest) throw new Error(`Broken invariant: engine ${engineId} has no build sheet`)
      const cited =
        jobSelectors.selectAll(state.jobs).some(({ sheetId }) => sheetId === newest.id) ||
        entrySelectors.selectAll(state.entries).some(({ sheetId }) => sheetId === newest.id)
      const changed = change(newest)
      const row = buildSheetSchema.parse(
        cited
          ? { ...changed, id: env.newId(), version: newest.version + 1, at: env.now() }
          : { ...changed, id: newest.id },
      )
      await env.sheets.put(row)
      tell(dispatch, env.publish, sheetsSlice.actions.put([row]))
      return row
    })

export const addSheet =
  (sheet: BuildSheet): AppThunk =>
  async (dispatch, _getState, env) => {
    const row = buildSheetSchema.parse(sheet)
    await env.sheets.put(row)
    tell(dispatch, env.publish, sheetsSlice.actions.put([row]))
  }

/** Adds imported records, all or nothing. */
export const addRecords =
  (records: Records, pictures: readonly PictureRow[]): AppThunk =>
  async (dispatch, _getState, env) => {
    await env.atomically(records, pictures)
    tell(dispatch, env.publish, enginesSlice.actions.put(records.engines))
    tell(dispatch, env.publish, sheetsSlice.actions.put(records.sheets))
    tell(dispatch, env.publish, jobsSlice.actions.put(records.jobs))
    tell(dispatch, env.publish, entriesSlice.actions.put(records.entries))
  }

export const keepDraft =
  (row: DraftRow): AppThunk =>
  async (dispatch, _getState, env) => {
    // The state first: a letter must be on the screen at once, and it is no record yet.
    dispatch(draftsSlice.actions.typed(row))
    await env.drafts.put(row)
  }

export const dropDrafts =
  (ids: readonly string[]): AppThunk =>
  async (dispatch, _getState, env) => {
    dispatch(draftsSlice.actions.dropped(ids))
    await Promise.all(ids.map((id) => env.drafts.delete(id)))
  }

export const addPicture =
  (jobId: string, blob: Blob, caption: string, stepId: string): AppThunk =>
  async (dispatch, _getState, env) => {
    const id = env.newId()
    await env.pictures.put({ id, jobId, blob })
    const mediaType = blob.type as 'image/jpeg'
    await dispatch(say(jobId, [{ kind: 'picture', pictureId: id, mediaType, bytes: blob.size, caption, stepId }]))
  }

export const notePut =
  (rows: readonly { id: string; value: string }[]): AppThunk =>
  async (dispatch, _getState, env) => {
    await env.meta.bulkPut(rows)
    dispatch(metaSlice.actions.put(rows))
  }

function tell<A extends { type: string }>(dispatch: (action: A) => unknown, publish: (action: A) => void, action: A) {
  dispatch(action)
  publish(action)
}

export const readPicture =
  (pictureId: string): AppThunk<Promise<Blob | undefined>> =>
  async (_dispatch, _getState, env) =>
    (await env.pictures.get(pictureId))?.blob
