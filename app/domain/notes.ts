import { commit } from './commit'
import type { MetaRow, WriteElsewhere } from './env'
import type { AppThunk } from './state'
import type { SummaryRow } from './summaries'

/* What is written beside the records, and what is read into the state: nothing here needs to know what a record is. */

export const notePut = (rows: readonly MetaRow[]) => commit(() => ({ batch: { put: { meta: rows } }, give: undefined }))

/** Has a worker write what a file holds. */
export const takeIn =
  (write: WriteElsewhere): AppThunk =>
  (_dispatch, _getState, env) =>
    env.takeIn(write)

/** Reads the build sheets and ledgers of an engine, unless they are at hand. */
export const openEngine =
  (engineId: string): AppThunk =>
  async (_dispatch, getState, env) => {
    if (!(engineId in getState().opened)) await env.openEngine(engineId)
  }

/** Puts a summary in the place of the one that waits for it, unless something was written since it was begun. */
export const putSummary =
  (row: SummaryRow, waiting: string | undefined): AppThunk =>
  async (_dispatch, getState, env) =>
    env.commit(() => (getState().summaries.get(row.id)?.waiting === waiting ? { put: { summaries: [row] } } : {}))

export const readPicture =
  (pictureId: string): AppThunk<Promise<Blob | undefined>> =>
  (_dispatch, _getState, env) =>
    env.readPicture(pictureId)
