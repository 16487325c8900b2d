import { createSelector } from '@reduxjs/toolkit'
import { judgeGuard, type Guard } from '@link-count/core/guard'
import { foldJob, type JobState } from '@link-count/core/ledger'
import { readMarks, type MarkReading } from '@link-count/core/marks'
import type { BuildSheet, Engine, Entry, Job, Records } from '@link-count/core/model'
import { makeRunSheet, statusOf, stepInHand, type Step, type StepStatus } from '@link-count/core/runSheet'
import { engineSelectors } from './engines'
import { entrySelectors } from './entries'
import { jobSelectors } from './jobs'
import { newestSheet, sheetSelectors } from './sheets'
import type { RootState } from './state'

/** A job as every screen sees it: derived, never stored. */
export interface JobView {
  readonly engine: Engine
  readonly job: Job
  readonly sheet: BuildSheet
  readonly newestSheet: BuildSheet
  readonly entries: readonly Entry[]
  readonly state: JobState
  readonly steps: readonly { readonly step: Step; readonly status: StepStatus }[]
  readonly inHand: Step | undefined
  readonly guard: Guard
}

export const selectEngines = (state: RootState) => engineSelectors.selectAll(state.engines)
export const selectEngine = (state: RootState, id: string) => engineSelectors.selectById(state.engines, id)

export const selectSheets = createSelector(
  [(state: RootState) => state.sheets, (_state: RootState, engineId: string) => engineId],
  (sheets, engineId) =>
    sheetSelectors
      .selectAll(sheets)
      .filter((sheet) => sheet.engineId === engineId)
      .sort((a, b) => b.version - a.version),
)

export const selectJobs = createSelector(
  [(state: RootState) => state.jobs, (_state: RootState, engineId: string) => engineId],
  (jobs, engineId) =>
    jobSelectors
      .selectAll(jobs)
      .filter((job) => job.engineId === engineId)
      .sort((a, b) => b.number - a.number),
)

const selectJobEntries = createSelector(
  [(state: RootState) => state.entries, (_state: RootState, jobId: string) => jobId],
  (entries, jobId) => entrySelectors.selectAll(entries).filter((entry) => entry.jobId === jobId),
)

type Slices = Pick<RootState, 'engines' | 'sheets'>

function makeJobView(
  { engines, sheets }: Slices,
  job: Job | undefined,
  entries: readonly Entry[],
): JobView | undefined {
  const engine = job && engineSelectors.selectById(engines, job.engineId)
  if (!job || !engine) return undefined
  const versions = sheetSelectors.selectAll(sheets).filter(({ engineId }) => engineId === engine.id)
  const newest = newestSheet(versions)
  const state = foldJob({ job, sheets: versions, entries })
  const sheet = versions.find(({ id }) => id === state.sheetId)
  if (!newest || !sheet) return undefined
  const run = makeRunSheet(sheet, job)
  const steps = run.map((step) => ({ step, status: statusOf({ step, sheet, job, state }) }))
  const status = (step: Step) => steps.find((one) => one.step === step)?.status as StepStatus
  const guard = judgeGuard(sheet, state)
  return { engine, job, sheet, newestSheet: newest, entries, state, steps, inHand: stepInHand(run, status), guard }
}

export const selectJobView = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, jobId: string) => jobSelectors.selectById(state.jobs, jobId),
    selectJobEntries,
  ],
  (engines, sheets, job, entries) => makeJobView({ engines, sheets }, job, entries),
)

/** What earlier jobs on the engine found of each mark, the latest first. */
export const selectEarlierMarks = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState) => state.entries,
    (state: RootState, engineId: string) => selectJobs(state, engineId),
    (_state: RootState, _engineId: string, jobId: string) => jobId,
  ],
  (engines, sheets, entries, jobs, jobId): readonly { readonly jobNumber: number; readonly mark: MarkReading }[] => {
    const own = jobs.find(({ id }) => id === jobId)?.number ?? Infinity
    return jobs
      .filter(({ number }) => number < own)
      .flatMap((job) => {
        const inJob = entrySelectors.selectAll(entries).filter((entry) => entry.jobId === job.id)
        const view = makeJobView({ engines, sheets }, job, inJob)
        return view ? readMarks(view.sheet, view.state).map((mark) => ({ jobNumber: job.number, mark })) : []
      })
  },
)

/** All visits of an engine as they stand, the latest first. */
export const selectJobViews = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState) => state.entries,
    (state: RootState, engineId: string) => selectJobs(state, engineId),
  ],
  (engines, sheets, entries, jobs): readonly JobView[] =>
    jobs.flatMap((job) => {
      const inJob = entrySelectors.selectAll(entries).filter((entry) => entry.jobId === job.id)
      return makeJobView({ engines, sheets }, job, inJob) ?? []
    }),
)

export const selectRecords = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState) => state.jobs,
    (state: RootState) => state.entries,
  ],
  (engines, sheets, jobs, entries): Records => ({
    engines: engineSelectors.selectAll(engines),
    sheets: sheetSelectors.selectAll(sheets),
    jobs: jobSelectors.selectAll(jobs),
    entries: entrySelectors.selectAll(entries),
  }),
)
