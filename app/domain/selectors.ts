import { createSelector } from '@reduxjs/toolkit'
import { isRemoved, type BuildSheet, type Engine, type Entry, type Job, type Records } from '@link-count/core/model'
import { engineSelectors } from './engines'
import { jobSelectors } from './jobs'
import type { RootState } from './state'

/** The engines that are not deleted. */
export const selectEngines = createSelector([(state: RootState) => state.engines], (engines): readonly Engine[] =>
  engineSelectors.selectAll(engines).filter((engine) => !isRemoved(engine)),
)
export function selectEngine(state: RootState, id: string): Engine | undefined {
  const engine = engineSelectors.selectById(state.engines, id)
  return engine && !isRemoved(engine) ? engine : undefined
}

/** When an engine or a job was deleted; undefined while it is there. */
export function selectDeletedAt(
  state: RootState,
  { engineId, jobId }: { readonly engineId?: string | undefined; readonly jobId?: string | undefined },
): string | undefined {
  const job = jobSelectors.selectById(state.jobs, jobId ?? '')
  const engine = engineSelectors.selectById(state.engines, engineId ?? job?.engineId ?? '')
  return [job, engine].find((one) => one && isRemoved(one))?.removed?.at
}

/** Whether an engine's build sheets and ledgers are at hand. */
export const selectIsOpen = (state: RootState, engineId: string) => engineId in state.opened

const nothing: readonly never[] = []

/** The build sheets of an open engine, the newest first. */
export const selectSheets = createSelector(
  [(state: RootState, engineId: string) => state.opened[engineId]?.sheets ?? nothing],
  (sheets): readonly BuildSheet[] => [...sheets].sort((a, b) => b.version - a.version),
)

/** All jobs of an engine, those that were deleted as well, the latest first. */
export const selectAllJobs = createSelector(
  [(state: RootState) => state.jobs, (_state: RootState, engineId: string) => engineId],
  (jobs, engineId) =>
    jobSelectors
      .selectAll(jobs)
      .filter((job) => job.engineId === engineId)
      .sort((a, b) => byNumber(b, a)),
)

/** The jobs of an engine that have their ledgers, the latest first. */
export const selectJobs = createSelector([selectAllJobs], (jobs) => jobs.filter((job) => !isRemoved(job)))

/** Everything that was written on an open engine, in all of its jobs. */
export const selectEngineEntries = (state: RootState, engineId: string): readonly Entry[] =>
  state.opened[engineId]?.entries ?? nothing

/** The records of the engines that are open: all that a page still has when the storage under it is gone. */
export function selectHeld({ engines, jobs, opened }: RootState): Records {
  const open = Object.entries(opened)
  return {
    engines: engineSelectors.selectAll(engines).filter(({ id }) => id in opened),
    sheets: open.flatMap(([, { sheets }]) => sheets),
    jobs: jobSelectors.selectAll(jobs).filter(({ engineId }) => engineId in opened),
    entries: open.flatMap(([, { entries }]) => entries),
  }
}

/** Jobs in the order of their numbers; two that bear one number by the time they were opened. */
const byNumber = (a: Job, b: Job) => a.number - b.number || textOrder(a.at, b.at) || textOrder(a.id, b.id)
const textOrder = (a: string, b: string) => (a < b ? -1 : Number(a > b))
