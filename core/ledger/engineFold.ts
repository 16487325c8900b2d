import type { Job } from '../model/engine'
import type { Entry } from '../model/entry'
import { copyOfJobSoFar, startJobSoFar, type JobSoFar } from './jobSoFar'
import { allOf, lastOf } from './kept'
import { isNothing, kindOf } from './kinds'
import { partsOfJob } from './partsOfJob'
import { crankPlace } from './rotation'
import type { JobSeats } from './sectionCounts'
import { compareJobs, type Stand } from './stand'
import { readEngine, readOn, type EngineLedger, type EngineRead } from './stand/engineRead'
import { foldStand, foldStandOn, standAt, type StandFold } from './stand/foldStand'
import type { JobState } from './state'
import { readTiming } from './timing'

/** Everything that was written on one engine, folded: asked for one job after another, and carried on by one line at the cost of that line. */
export interface EngineFold {
  readonly read: EngineRead
  readonly stand: StandFold | undefined
  /** The stand as each job left it at its last line. */
  readonly ends: ReadonlyMap<string, StandFold>
  /** Worked out when first asked for. */
  readonly jobsSoFar: Map<string, JobSoFar>
  readonly states: Map<string, JobState>
}

/** Folds the ledgers of an engine. A pure fold over lines in the order all devices agree on, struck ones left out, so it does not matter how or in what
 *  batches they arrived. */
export function foldEngine(ledger: EngineLedger): EngineFold {
  const read = readEngine(ledger)
  return { read, ...foldStand(read), jobsSoFar: new Map(), states: new Map() }
}

/** The same with one line more. A line in order costs one step; what reaches back, or arrives out of order, folds everything anew. */
export function foldOn(fold: EngineFold, entry: Entry): EngineFold {
  const read = fold.stand && readOn(fold.read, entry)
  if (!fold.stand || !read) {
    const { ledger } = fold.read
    return foldEngine({ ...ledger, entries: [...ledger.entries, entry] })
  }
  const jobsSoFar = new Map(fold.jobsSoFar)
  const soFar = jobsSoFar.get(entry.jobId)
  if (soFar) {
    const next = copyOfJobSoFar(soFar, entry.kind)
    take(next, entry, read)
    jobsSoFar.set(entry.jobId, next)
  }
  const stand = foldStandOn(fold.stand, entry, read)
  return { read, stand, ends: new Map(fold.ends).set(entry.jobId, stand), jobsSoFar, states: new Map() }
}

/** The state of a job: what was found, set and left in it, and how the engine stands. */
export function stateOfJob(fold: EngineFold, jobId: string): JobState {
  const known = fold.states.get(jobId)
  if (known) return known
  const fresh = workOut(fold, jobId)
  fold.states.set(jobId, fresh)
  return fresh
}

function workOut(fold: EngineFold, jobId: string): JobState {
  const { read } = fold
  const job = read.byJob.get(jobId)
  const its = read.figures.get(jobId)
  if (!job || !its || !fold.stand) throw new Error(`Broken invariant: job ${jobId} has no build sheet`)
  const { sheet, zeros } = its
  const live = read.liveOf.get(jobId) ?? []
  const stand = standAt(fold.stand, job, read, true)
  const left = leftBy(fold, job, stand)
  const soFar = jobSoFarOf(fold, jobId)
  const { zero, readings: zeroReadings = [] } = zeros.frames.at(-1) ?? {}
  const { place, half } = crankPlace(left.rotation, sheet, zero, left.jobStartDeg)
  const seats: JobSeats = { found: left.seatsAtStart, now: left.seats }
  return {
    ...soFar,
    ...partsOfJob(left, { job, sheet, soFar }),
    sheetId: sheet.id,
    closed: lastOf(soFar, 'close', ''),
    seats,
    stand,
    live,
    struck: struckOf(read, jobId),
    degreeWheel: live.findLast((entry) => entry.kind === 'degreeWheel')?.scale,
    zeros,
    zero,
    zeroBefore: zeroBefore(job, read),
    zeroReadings,
    half,
    crank: place,
    timing: readTiming({
      sheet,
      zeros,
      camReads: soFar.camReads,
      counts: soFar.counts,
      meshCounts: allOf(soFar, 'meshCount'),
      seats,
    }),
  }
}

/** What a job left, where later ones went on. */
function leftBy(fold: EngineFold, job: Job, now: Stand): Stand {
  const { read, ends, stand } = fold
  const end = ends.get(job.id)
  return !end || end === stand || read.live.at(-1)?.jobId === job.id ? now : standAt(end, job, read, false)
}

function jobSoFarOf({ read, jobsSoFar }: EngineFold, jobId: string): JobSoFar {
  const known = jobsSoFar.get(jobId)
  if (known) return known
  const fresh = startJobSoFar()
  for (const entry of read.liveOf.get(jobId) ?? []) take(fresh, entry, read)
  jobsSoFar.set(jobId, fresh)
  return fresh
}

function take(soFar: JobSoFar, entry: Entry, { figures }: EngineRead): void {
  const { inJob } = kindOf(entry)
  const its = figures.get(entry.jobId)
  if (its && !isNothing(inJob)) inJob(soFar, entry, its.sheet)
}

const struckOf = ({ ordered, struck }: EngineRead, jobId: string): ReadonlySet<string> =>
  struck.size === 0
    ? struck
    : new Set(ordered.flatMap((one) => (one.jobId === jobId && struck.has(one.id) ? [one.id] : [])))

/** The zero of the last earlier job that found one. */
function zeroBefore(job: Job, { ledger, figures }: EngineRead): JobState['zeroBefore'] {
  const earlier = ledger.jobs.filter((one) => compareJobs(one, job) < 0).sort((a, b) => compareJobs(b, a))
  for (const { id } of earlier) {
    const frame = figures.get(id)?.zeros.frames.at(-1)
    if (frame?.zero) return { jobId: id, zero: frame.zero, scale: frame.scale }
  }
  return undefined
}
