import { createSelector } from '@reduxjs/toolkit'
import { judgeGuard, type Guard, type GuardReason } from '@link-count/core/guard'
import { compareJobs, foldJob, jobLabels, nextStamp, overlappingWork, type JobState } from '@link-count/core/ledger'
import { readMarks, type MarkReading } from '@link-count/core/marks'
import type { BuildSheet, Engine, Entry, EntryDraft, Job, Records } from '@link-count/core/model'
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
  /** Its number, and a letter where another device opened one with the same number. */
  readonly label: string
  /** What every job of the engine is called, by id. */
  readonly labels: ReadonlyMap<string, string>
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
      .sort((a, b) => compareJobs(b, a)),
)

/** Everything that was written on the engine of a job, in all of its jobs. */
const selectEngineEntries = createSelector(
  [
    (state: RootState) => state.entries,
    (state: RootState) => state.jobs,
    (_state: RootState, engineId: string) => engineId,
  ],
  (entries, jobs, engineId) => {
    const ids = new Set(
      jobSelectors
        .selectAll(jobs)
        .filter((job) => job.engineId === engineId)
        .map(({ id }) => id),
    )
    return entrySelectors.selectAll(entries).filter(({ jobId }) => ids.has(jobId))
  },
)

type Slices = Pick<RootState, 'engines' | 'sheets'>

function makeJobView(
  { engines, sheets }: Slices,
  job: Job | undefined,
  { jobs, entries }: { readonly jobs: readonly Job[]; readonly entries: readonly Entry[] },
): JobView | undefined {
  const engine = job && engineSelectors.selectById(engines, job.engineId)
  if (!job || !engine) return undefined
  const versions = sheetSelectors.selectAll(sheets).filter(({ engineId }) => engineId === engine.id)
  const newest = newestSheet(versions)
  const state = foldJob({ job, jobs, sheets: versions, entries })
  const sheet = versions.find(({ id }) => id === state.sheetId)
  if (!newest || !sheet) return undefined
  const run = makeRunSheet(sheet, job)
  const steps = run.map((step) => ({ step, status: statusOf({ step, sheet, job, state }) }))
  const status = (step: Step) => steps.find((one) => one.step === step)?.status as StepStatus
  const labels = jobLabels(jobs)
  return {
    engine,
    job,
    label: labels.get(job.id) ?? String(job.number),
    labels,
    sheet,
    newestSheet: newest,
    entries: entries.filter(({ jobId }) => jobId === job.id),
    state,
    steps,
    inHand: stepInHand(run, status),
    guard: judgeGuard(sheet, state),
  }
}

/** The guard as it would be with one more line of a job's ledger; nothing is written. */
export function guardWith(state: RootState, jobId: string, draft: EntryDraft, device: string): Guard | undefined {
  const job = jobSelectors.selectById(state.jobs, jobId)
  const view = selectJobView(state, jobId)
  if (!job || !view) return undefined
  const entries = selectEngineEntries(state, job.engineId)
  const would = {
    conditions: [],
    typed: [],
    ...draft,
    ...nextStamp(entries, device),
    id: 'would-be',
    jobId,
    sheetId: view.sheet.id,
    device,
    at: job.at,
    seenFrom: state.screen.side,
  } as Entry
  const jobs = selectJobs(state, job.engineId)
  return makeJobView(state, job, { jobs, entries: [...entries, would] })?.guard
}

const engineIdOf = (state: RootState, jobId: string) => jobSelectors.selectById(state.jobs, jobId)?.engineId ?? ''

export const selectJobView = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, jobId: string) => jobSelectors.selectById(state.jobs, jobId),
    (state: RootState, jobId: string) => selectJobs(state, engineIdOf(state, jobId)),
    (state: RootState, jobId: string) => selectEngineEntries(state, engineIdOf(state, jobId)),
  ],
  (engines, sheets, job, jobs, entries) => makeJobView({ engines, sheets }, job, { jobs, entries }),
)

/** What earlier jobs on the engine found of each mark, the latest first. */
export const selectEarlierMarks = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, engineId: string) => selectEngineEntries(state, engineId),
    (state: RootState, engineId: string) => selectJobs(state, engineId),
    (_state: RootState, _engineId: string, jobId: string) => jobId,
  ],
  (engines, sheets, entries, jobs, jobId): readonly { readonly jobLabel: string; readonly mark: MarkReading }[] => {
    const own = jobs.find(({ id }) => id === jobId)
    return jobs
      .filter((job) => own === undefined || compareJobs(job, own) < 0)
      .flatMap((job) => {
        const view = makeJobView({ engines, sheets }, job, { jobs, entries })
        return view ? readMarks(view.sheet, view.state).map((mark) => ({ jobLabel: view.label, mark })) : []
      })
  },
)

/** What a new job takes over from the ones before it. */
export interface Inheritance {
  /** The last job, as it is called. */
  readonly label: string
  /** What holds the engine or is told of it, making safe left out. */
  readonly reasons: readonly GuardReason[]
  readonly undone: 'nothing' | 'something' | 'everyLoop'
}

export const selectInherited = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, engineId: string) => selectEngineEntries(state, engineId),
    (state: RootState, engineId: string) => selectJobs(state, engineId),
  ],
  (engines, sheets, entries, jobs): Inheritance | undefined => {
    const view = makeJobView({ engines, sheets }, jobs[0], { jobs, entries })
    if (!view) return undefined
    const { loops, couplings } = view.state.stand
    const off = view.sheet.loops.filter(({ id }) => loops.get(id)?.is !== 'on')
    const apart = [...couplings.values()].some(({ is }) => is !== 'on')
    const allOff = view.sheet.loops.length > 0 && view.sheet.loops.every(({ id }) => loops.get(id)?.is === 'off')
    return {
      label: view.label,
      reasons: view.guard.reasons.filter(({ code }) => code !== 'makeSafeNotDone' && code !== 'jobClosed'),
      undone: allOff ? 'everyLoop' : off.length > 0 || apart ? 'something' : 'nothing',
    }
  },
)

/** Lines of a job's ledger that were written beside others which their device did not know of. */
export const selectOverlaps = createSelector(
  [
    (state: RootState, jobId: string) => selectJobs(state, engineIdOf(state, jobId)),
    (state: RootState, jobId: string) => selectEngineEntries(state, engineIdOf(state, jobId)),
  ],
  (jobs, entries) => overlappingWork(jobs, entries),
)

/** All visits of an engine as they stand, the latest first. */
export const selectJobViews = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, engineId: string) => selectEngineEntries(state, engineId),
    (state: RootState, engineId: string) => selectJobs(state, engineId),
  ],
  (engines, sheets, entries, jobs): readonly JobView[] =>
    jobs.flatMap((job) => makeJobView({ engines, sheets }, job, { jobs, entries }) ?? []),
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
