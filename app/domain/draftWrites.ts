import { draftsSlice } from './drafts'
import type { DraftRow, Env } from './env'
import type { AppThunk } from './state'

/* What is typed and not yet accepted. It is on the screen at once; while one write is on its way, later letters of a field take the place of earlier ones. */

/** Per workshop: the text of each field that is still to be stored, undefined = gone. */
const waiting = new WeakMap<Env, Map<string, string | undefined>>()

export const keepDraft =
  (row: DraftRow): AppThunk =>
  (dispatch, _getState, env) => {
    dispatch(draftsSlice.actions.typed(row))
    return store(env, [[row.id, row.text]])
  }

export const dropDrafts =
  (ids: readonly string[]): AppThunk =>
  (dispatch, _getState, env) => {
    dispatch(draftsSlice.actions.dropped(ids))
    return store(
      env,
      ids.map((id) => [id, undefined]),
    )
  }

/** Stores fields with all others that wait, when their turn comes. What could not be stored waits for the next. */
async function store(env: Env, fields: readonly (readonly [string, string | undefined])[]): Promise<void> {
  const mine = waiting.get(env) ?? new Map<string, string | undefined>()
  waiting.set(env, mine)
  for (const [id, text] of fields) mine.set(id, text)
  let going = new Map<string, string | undefined>()
  const note = () => env.noteTyped([...going, ...mine])
  note()
  try {
    await env.commit(() => {
      for (const [id, text] of mine) going.set(id, text)
      mine.clear()
      const put = [...going].flatMap(([id, text]) => (text === undefined ? [] : [{ id, text }]))
      const drop = [...going].flatMap(([id, text]) => (text === undefined ? [id] : []))
      return put.length + drop.length === 0 ? {} : { put: { drafts: put }, drop: { drafts: drop } }
    })
    going = new Map()
  } finally {
    for (const [id, text] of going) if (!mine.has(id)) mine.set(id, text)
    going.clear()
    note()
  }
}
