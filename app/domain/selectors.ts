import { createSelector } from '@reduxjs/toolkit'
import type { BuildSheet, Entry, Job, Records } from '@link-count/core/model'
import { engineSelectors } from './engines'
import { jobSelectors } from './jobs'
import type { RootState } from './state'

export const selectEngines = (state: RootState) => engineSelectors.selectAll(state.engines)
export const selectEngine = (state: RootState, id: string) => engineSelectors.selectById(state.engines, id)

/** Whether an engine's build sheets and ledgers are at hand. */
export const selectIsOpen = (state: RootState, engineId: string) => engineId in state.opened

const nothing: readonly never[] = []

/** The build sheets of an open engine, the newest first. */
export const selectSheets = createSelector(
  [(state: RootState, engineId: string) => state.opened[engineId]?.sheets ?? nothing],
  (sheets): readonly BuildSheet[] => [...sheets].sort((a, b) => b.version - a.version),
)

/** All jobs of an engine, those that were taken out as well, the latest first. */
export const selectAllJobs = createSelector(
  [(state: RootState) => state.jobs, (_state: RootState, engineId: string) => engineId],
  (jobs, engineId) =>
    jobSelectors
      .selectAll(jobs)
      .filter((job) => job.engineId === engineId)
      .sort((a, b) => byNumber(b, a)),
)

/** The jobs of an engine that have their ledgers, the latest first. */
export const selectJobs = createSelector([selectAllJobs], (jobs) => jobs.filter(({ removed }) => !removed))

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
