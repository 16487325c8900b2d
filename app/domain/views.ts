import { createSelector } from '@reduxjs/toolkit'
import { judgeGuard, type Guard, type GuardReason } from '@link-count/core/guard'
import { compareJobs, foldJob, jobLabels, nextStamp, overlappingWork, type JobState } from '@link-count/core/ledger'
import { readMarks, type MarkReading } from '@link-count/core/marks'
import type { BuildSheet, Engine, Entry, EntryDraft, Job, Records } from '@link-count/core/model'
import {
  makeRunSheet,
  statusOf,
  stepInHand,
  stepsOf,
  type Step,
  type StepGroup,
  type StepStatus,
} from '@link-count/core/runSheet'
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
  /** The same steps, by where the crank has to stand for them. */
  readonly groups: readonly StepGroup[]
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

/** All jobs of an engine, those that were taken out as well, the latest first. */
export const selectAllJobs = createSelector(
  [(state: RootState) => state.jobs, (_state: RootState, engineId: string) => engineId],
  (jobs, engineId) =>
    jobSelectors
      .selectAll(jobs)
      .filter((job) => job.engineId === engineId)
      .sort((a, b) => compareJobs(b, a)),
)

/** The jobs of an engine that have their ledgers, the latest first. */
export const selectJobs = createSelector([selectAllJobs], (jobs) => jobs.filter(({ removed }) => !removed))

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

interface EngineWork {
  readonly jobs: readonly Job[]
  readonly entries: readonly Entry[]
}

/** Why a job cannot be shown. */
export interface NotReadable {
  readonly why: string
}

const isView = (read: JobView | NotReadable | undefined): read is JobView => read !== undefined && 'state' in read

/** A job as the screens see it. One that cannot be read fails alone: the others of its engine are read without it, and what it did is not known. */
function readJob(slices: Slices, job: Job | undefined, work: EngineWork): JobView | NotReadable | undefined {
  const engine = job && engineSelectors.selectById(slices.engines, job.engineId)
  if (!job || !engine || job.removed) return undefined
  const sheets = sheetSelectors.selectAll(slices.sheets).filter(({ engineId }) => engineId === engine.id)
  try {
    return makeJobView({ engine, job, sheets, ...work })
  } catch {
    const unreadable = new Set(
      work.jobs.filter((one) => !one.removed && whyNot(engine, one, sheets, work) !== undefined).map(({ id }) => id),
    )
    const why = whyNot(engine, job, sheets, work)
    if (why !== undefined) return { why }
    try {
      return makeJobView({ engine, job, sheets, ...work, unreadable })
    } catch (cause) {
      return { why: reasonOf(cause) }
    }
  }
}

/** Why a job cannot be read by itself; undefined when it can. */
function whyNot(engine: Engine, job: Job, sheets: readonly BuildSheet[], { entries }: EngineWork): string | undefined {
  if (!sheets.some(({ id }) => id === job.sheetId)) return 'Its build sheet is not in this workshop.'
  try {
    makeJobView({ engine, job, sheets, jobs: [job], entries: entries.filter(({ jobId }) => jobId === job.id) })
    return undefined
  } catch (cause) {
    return reasonOf(cause)
  }
}

const reasonOf = (cause: unknown) => (cause instanceof Error ? cause.message : String(cause))

function makeJobView({
  engine,
  job,
  sheets: versions,
  jobs,
  entries,
  unreadable,
}: EngineWork & {
  readonly engine: Engine
  readonly job: Job
  readonly sheets: readonly BuildSheet[]
  readonly unreadable?: ReadonlySet<string>
}): JobView {
  const newest = newestSheet(versions)
  const state = foldJob({ job, jobs, sheets: versions, entries, unreadable })
  const sheet = versions.find(({ id }) => id === state.sheetId)
  if (!newest || !sheet) throw new Error('its build sheet is not in this workshop')
  const groups = makeRunSheet(sheet)
  const run = stepsOf(groups)
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
    groups,
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
  const jobs = selectAllJobs(state, job.engineId)
  const read = readJob(state, job, { jobs, entries: [...entries, would] })
  return isView(read) ? read.guard : undefined
}

const engineIdOf = (state: RootState, jobId: string) => jobSelectors.selectById(state.jobs, jobId)?.engineId ?? ''

const selectJobRead = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, jobId: string) => jobSelectors.selectById(state.jobs, jobId),
    (state: RootState, jobId: string) => selectAllJobs(state, engineIdOf(state, jobId)),
    (state: RootState, jobId: string) => selectEngineEntries(state, engineIdOf(state, jobId)),
  ],
  (engines, sheets, job, jobs, entries) => readJob({ engines, sheets }, job, { jobs, entries }),
)

export const selectJobView = (state: RootState, jobId: string): JobView | undefined => {
  const read = selectJobRead(state, jobId)
  return isView(read) ? read : undefined
}

/** A job that is there and cannot be read, and why. */
export const selectNotReadable = (state: RootState, jobId: string): NotReadable | undefined => {
  const read = selectJobRead(state, jobId)
  return read && !isView(read) ? read : undefined
}

/** What earlier jobs on the engine found of each mark, the latest first. */
export const selectEarlierMarks = createSelector(
  [
    (state: RootState) => state.engines,
    (state: RootState) => state.sheets,
    (state: RootState, engineId: string) => selectEngineEntries(state, engineId),
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
    (_state: RootState, _engineId: string, jobId: string) => jobId,
  ],
  (engines, sheets, entries, jobs, jobId): readonly { readonly jobLabel: string; readonly mark: MarkReading }[] => {
    const own = jobs.find(({ id }) => id === jobId)
    return jobs
      .filter((job) => own === undefined || compareJobs(job, own) < 0)
      .flatMap((job) => {
        const view = readJob({ engines, sheets }, job, { jobs, entries })
        return isView(view) ? readMarks(view.sheet, view.state).map((mark) => ({ jobLabel: view.label, mark })) : []
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
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
  ],
  (engines, sheets, entries, jobs): Inheritance | undefined => {
    const latest = jobs.find(({ removed }) => !removed)
    const view = readJob({ engines, sheets }, latest, { jobs, entries })
    if (!isView(view)) return undefined
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
    (state: RootState, jobId: string) => selectAllJobs(state, engineIdOf(state, jobId)),
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
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
  ],
  (engines, sheets, entries, jobs): readonly JobView[] =>
    jobs.flatMap((job) => {
      const view = readJob({ engines, sheets }, job, { jobs, entries })
      return isView(view) ? [view] : []
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
