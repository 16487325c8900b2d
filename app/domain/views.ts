import { createSelector } from '@reduxjs/toolkit'
import { judgeGuard, type Guard, type GuardReason } from '@link-count/core/guard'
import {
  allOf,
  compareJobs,
  foldEngine,
  foldOn,
  jobLabels,
  nextStamp,
  overlappingWork,
  stateOfJob,
  type EngineFold,
  type JobState,
} from '@link-count/core/ledger'
import { readMarks, type MarkReading } from '@link-count/core/marks'
import { isRemoved, type BuildSheet, type Engine, type Entry, type NewEntry, type Job } from '@link-count/core/model'
import {
  applyPlan,
  inGroups,
  makeRunSheet,
  schoolsOf,
  statusOf,
  stepInHand,
  type Schools,
  type Step,
  type StepGroup,
  type StepStatus,
} from '@link-count/core/runSheet'
import { engineSelectors } from './engines'
import { foldOf, type EngineWork } from './folds'
import { jobSelectors } from './jobs'
import { selectAllJobs, selectEngineEntries, selectJobs, selectSheets } from './selectors'
import { newestSheet } from './sheets'
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
  /** How it is done in this job, where good mechanics differ. */
  readonly schools: Schools
  /** Steps that somebody left out of it, and why. */
  readonly leftOut: readonly { readonly step: Step; readonly reason: string }[]
  readonly guard: Guard
}

/** Everything on an engine, each list the same as long as nothing in it changed. */
const selectWork = createSelector(
  [
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
    (state: RootState, engineId: string) => selectSheets(state, engineId),
    (state: RootState, engineId: string) => selectEngineEntries(state, engineId),
  ],
  (jobs, sheets, entries): EngineWork => ({ jobs, sheets, entries }),
)

/** Why a job cannot be shown. */
export interface NotReadable {
  readonly why: string
}

export const isView = (read: JobView | NotReadable | undefined): read is JobView =>
  read !== undefined && 'state' in read

/** Jobs of an engine, read one by one as they are asked for. One that cannot be read fails alone: the others are read without it, and what it did is not
 *  known. */
function readJobs(
  engine: Engine,
  work: EngineWork,
  fold: () => EngineFold = () => foldOf(engine.id, work),
): (job: Job | undefined) => JobView | NotReadable | undefined {
  const labels = jobLabels(work.jobs)
  let without: EngineFold | undefined
  const foldWithout = () => {
    const unreadable = work.jobs.filter((one) => !isRemoved(one) && whyNot(engine, one, work) !== undefined)
    return (without ??= foldEngine({ ...work, unreadable: new Set(unreadable.map(({ id }) => id)) }))
  }
  return (job) => {
    if (!job || isRemoved(job)) return undefined
    try {
      return makeJobView({ engine, job, work, fold: fold(), labels })
    } catch {
      const why = whyNot(engine, job, work)
      if (why !== undefined) return { why }
      try {
        return makeJobView({ engine, job, work, fold: foldWithout(), labels })
      } catch (cause) {
        return { why: reasonOf(cause) }
      }
    }
  }
}

/** Why a job cannot be read by itself; undefined when it can. */
function whyNot(engine: Engine, job: Job, { sheets, entries }: EngineWork): string | undefined {
  if (!sheets.some(({ id }) => id === job.sheetId)) return 'Its build sheet is not in this workshop.'
  const work = { jobs: [job], sheets, entries: entries.filter(({ jobId }) => jobId === job.id) }
  try {
    makeJobView({ engine, job, work, fold: foldEngine(work), labels: new Map() })
    return undefined
  } catch (cause) {
    return reasonOf(cause)
  }
}

const reasonOf = (cause: unknown) => (cause instanceof Error ? cause.message : String(cause))

function makeJobView({
  engine,
  job,
  work: { sheets, entries },
  fold,
  labels,
}: {
  readonly engine: Engine
  readonly job: Job
  readonly work: EngineWork
  readonly fold: EngineFold
  readonly labels: ReadonlyMap<string, string>
}): JobView {
  const newest = newestSheet(sheets)
  const state = stateOfJob(fold, job.id)
  const sheet = sheets.find(({ id }) => id === state.sheetId)
  if (!newest || !sheet) throw new Error('its build sheet is not in this workshop')
  const { schools, steps: run, leftOut } = runSheetOf(sheet, job, state)
  const steps = run.map((step) => ({ step, status: statusOf({ step, sheet, job, state }) }))
  const status = (step: Step) => steps.find((one) => one.step === step)?.status as StepStatus
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
    groups: inGroups(sheet, run),
    schools,
    leftOut,
    inHand: stepInHand(run, status),
    guard: judgeGuard(sheet, state),
  }
}

/** The run sheet of a job: by its purpose or as it was kept, by how it is done here, and as somebody changed it. */
export function runSheetOf(sheet: BuildSheet, job: Job, state: JobState) {
  const schools = schoolsOf(sheet, job)
  const made = makeRunSheet(sheet, { purpose: job.purpose, schools, kinds: job.asKept?.kinds })
  return { schools, ...applyPlan(made, allOf(state, 'plan')) }
}

/** The latest job of an engine as it stands, or why it cannot be shown; nothing, of an engine without one. */
export function readLatest(
  engine: Engine,
  work: EngineWork,
  fold: () => EngineFold = () => foldEngine(work),
): JobView | NotReadable | undefined {
  const [latest] = work.jobs.filter((job) => !isRemoved(job)).sort((a, b) => compareJobs(b, a))
  return readJobs(engine, work, fold)(latest)
}

/** The same of an engine that is open. */
export const selectLatest = (state: RootState, engineId: string): JobView | NotReadable | undefined =>
  selectJobReads(state, engineId)(selectJobs(state, engineId)[0])

/** The jobs of an engine, read as they are asked for, each once. */
const selectJobReads = createSelector(
  [
    (state: RootState, engineId: string) => engineSelectors.selectById(state.engines, engineId),
    (state: RootState, engineId: string) => selectWork(state, engineId),
  ],
  (engine, work): ((job: Job | undefined) => JobView | NotReadable | undefined) => {
    if (!engine) return () => undefined
    const read = readJobs(engine, work)
    const done = new Map<Job | undefined, JobView | NotReadable | undefined>()
    return (job) => {
      if (!done.has(job)) done.set(job, read(job))
      return done.get(job)
    }
  },
)

/** The guard as it would be with one more line of a job's ledger; nothing is written. */
export function guardWith(state: RootState, jobId: string, newEntry: NewEntry, device: string): Guard | undefined {
  const job = jobSelectors.selectById(state.jobs, jobId)
  const view = selectJobView(state, jobId)
  if (!job || !view) return undefined
  const work = selectWork(state, job.engineId)
  const would = {
    conditions: [],
    typed: [],
    ...newEntry,
    ...nextStamp(work.entries, device),
    id: 'would-be',
    jobId,
    sheetId: view.sheet.id,
    device,
    at: job.at,
    seenFrom: state.screen.side,
  } as Entry
  const engine = engineSelectors.selectById(state.engines, job.engineId)
  const then = { ...work, entries: [...work.entries, would] }
  try {
    return (
      engine &&
      makeJobView({ engine, job, work: then, fold: foldOn(foldOf(engine.id, work), would), labels: view.labels }).guard
    )
  } catch {
    const read = engine && readJobs(engine, then, () => foldEngine(then))(job)
    return isView(read) ? read.guard : undefined
  }
}

const engineIdOf = (state: RootState, jobId: string) => jobSelectors.selectById(state.jobs, jobId)?.engineId ?? ''

const selectJobRead = (state: RootState, jobId: string) =>
  selectJobReads(state, engineIdOf(state, jobId))(jobSelectors.selectById(state.jobs, jobId))

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
    (state: RootState, engineId: string) => selectJobReads(state, engineId),
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
    (_state: RootState, _engineId: string, jobId: string) => jobId,
  ],
  (read, jobs, jobId): readonly { readonly jobLabel: string; readonly mark: MarkReading }[] => {
    const own = jobs.find(({ id }) => id === jobId)
    return jobs
      .filter((job) => own === undefined || compareJobs(job, own) < 0)
      .flatMap((job) => {
        const view = read(job)
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
  /** Chains and belts that are off, camshafts that are out, banks whose head is off. */
  readonly without: ReadonlySet<string>
  /** Of these nobody knows whether they are on. */
  readonly notKnown: ReadonlySet<string>
}

export const selectInherited = createSelector(
  [
    (state: RootState, engineId: string) => selectJobReads(state, engineId),
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
  ],
  (read, jobs): Inheritance | undefined => {
    const view = read(jobs.find((job) => !isRemoved(job)))
    if (!isView(view)) return undefined
    const { loops, camshafts, register } = view.state.stand
    const heads = register.flatMap(({ item, of }) =>
      item !== 'headOff' ? [] : of?.what === 'bank' ? [of.id] : view.sheet.banks.map(({ id }) => id),
    )
    const idsOf = (stands: ReadonlyMap<string, { readonly is: string }>, was: string) =>
      [...stands].flatMap(([id, { is }]) => (is === was ? [id] : []))
    return {
      label: view.label,
      reasons: view.guard.reasons.filter(({ code }) => code !== 'makeSafeNotDone' && code !== 'jobClosed'),
      without: new Set([...idsOf(loops, 'off'), ...idsOf(camshafts, 'out'), ...heads]),
      notKnown: new Set([...idsOf(loops, 'unknown'), ...idsOf(camshafts, 'unknown')]),
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
    (state: RootState, engineId: string) => selectJobReads(state, engineId),
    (state: RootState, engineId: string) => selectAllJobs(state, engineId),
  ],
  (read, jobs): readonly JobView[] =>
    jobs.flatMap((job) => {
      const view = read(job)
      return isView(view) ? [view] : []
    }),
)
