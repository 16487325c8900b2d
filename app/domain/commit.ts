import type { Batch, DraftRow, Env } from './env'
import { jobSelectors } from './jobs'
import type { AppThunk, RootState } from './state'

export interface Made<T> {
  readonly batch: Batch
  readonly give: T
}

export type Outside = Pick<Env, 'newId' | 'now'>

/** Commits what is made of the state as it is when its turn comes. The summaries of the engines that it changes wait from then on. */
export const commit =
  <T>(make: (state: RootState, env: Outside) => Made<T>): AppThunk<Promise<T>> =>
  async (_dispatch, getState, env) => {
    let made: Made<T> | undefined
    await env.commit(() => {
      const state = getState()
      made = make(state, env)
      return withWaiting(state, made.batch, env)
    })
    return (made as Made<T>).give
  }

function withWaiting(state: RootState, batch: Batch, { newId }: Outside): Batch {
  const { engines = [], sheets = [], jobs = [], entries = [] } = batch.put ?? {}
  const engineOf = new Map(jobs.map(({ id, engineId }) => [id, engineId]))
  const ids = new Set([
    ...engines.map(({ id }) => id),
    ...[...sheets, ...jobs].map(({ engineId }) => engineId),
    ...entries.flatMap(
      ({ jobId }) => engineOf.get(jobId) ?? jobSelectors.selectById(state.jobs, jobId)?.engineId ?? [],
    ),
  ])
  if (ids.size === 0) return batch
  return { ...batch, put: { ...batch.put, summaries: [...ids].map((id) => ({ id, waiting: newId() })) } }
}

/** Drops the drafts among these that still say what was taken. */
export function taken({ drafts }: RootState, takes: readonly DraftRow[]): Pick<Batch, 'drop' | 'taken'> {
  const rows = takes.filter(({ id, text }) => drafts[id] === text)
  return { drop: { drafts: rows.map(({ id }) => id) }, taken: rows }
}
