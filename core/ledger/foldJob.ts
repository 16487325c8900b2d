import { byId } from '../byId'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { Entry } from '../model/entry'
import { startDraft, type Draft } from './draft'
import { allOf, lastOf } from './kept'
import { isNothing, kindOf } from './kinds'
import { orderEntries, struckIds } from './order'
import { crankPlace } from './rotation'
import { alike, type JobSeats } from './sectionCounts'
import { compareJobs, foldStand, isLinkProved, trimOf, type Apart, type Stand } from './stand'
import type { CouplingState, JobState, LoopState, TensionerState } from './state'
import { proofOfLoop, readTiming } from './timing'
import { readZeros } from './readZeros'

/** The state of a job: what was found, set and left in it, and how the engine stands. A pure fold over entries in the order all devices agree on, struck
 *  ones left out, so it does not matter how or in what batches they arrived. `jobs` and `entries`: of the whole engine, this job's and the others',
 *  whose stand it takes over; without them the job is the only one. `sheets` holds the versions that may be cited; the newest one taken on by an
 *  entry is used for the figures. */
export function foldJob({
  job,
  jobs = [job],
  sheets,
  entries,
  unreadable,
}: {
  job: Job
  jobs?: readonly Job[]
  sheets: readonly BuildSheet[]
  entries: readonly Entry[]
  /** Other jobs of the engine whose ledgers cannot be read. */
  unreadable?: ReadonlySet<string> | undefined
}): JobState {
  const own = entries.filter(({ jobId }) => jobId === job.id)
  const ordered = orderEntries(own)
  const struck = struckIds(ordered)
  const live = ordered.filter(({ id, kind }) => !struck.has(id) && kind !== 'strike')
  const sheetId = live.findLast((entry) => entry.kind === 'sheet')?.toSheetId ?? job.sheetId
  const sheet = sheets.find(({ id }) => id === sheetId) ?? sheets.find(({ id }) => id === job.sheetId)
  if (!sheet) throw new Error(`Broken invariant: job ${job.id} has no build sheet`)
  const ledger = { jobs, sheets, entries }
  const others = unreadable ? { unreadable } : {}
  const stand = foldStand({ ledger, jobId: job.id, ...others })
  // What an earlier job left, where later ones went on.
  const left = jobs.length > 1 ? foldStand({ ledger, jobId: job.id, until: 'endOfJob', ...others }) : stand
  const zeros = readZeros(live, sheet)
  const draft = startDraft(sheetId)
  for (const entry of live) {
    const { inJob } = kindOf(entry)
    if (!isNothing(inJob)) inJob(draft, entry, sheet)
  }
  const { zero, readings: zeroReadings = [] } = zeros.frames.at(-1) ?? {}
  const { place, half } = crankPlace(left.rotation, sheet, zero, left.jobStartDeg)
  const seats: JobSeats = { found: left.seatsAtStart, now: left.seats }
  const timing = readTiming({ sheet, zeros, camReads: draft.camReads, counts: draft.counts, seats })
  const degreeWheel = live.findLast((entry) => entry.kind === 'degreeWheel')?.scale
  return {
    ...draft,
    ...partsOf(left, { job, sheet, draft }),
    closed: lastOf(draft, 'close', ''),
    seats,
    stand,
    live,
    struck,
    degreeWheel,
    zeros,
    zero,
    zeroBefore: zeroBefore(job, jobs, stand),
    zeroReadings,
    half,
    crank: place,
    timing,
  }
}

/** The zero of the last earlier job that found one. */
function zeroBefore(job: Job, jobs: readonly Job[], { figures }: Stand): JobState['zeroBefore'] {
  const earlier = jobs.filter((one) => compareJobs(one, job) < 0).sort((a, b) => compareJobs(b, a))
  for (const { id } of earlier) {
    const frame = figures.get(id)?.zeros.frames.at(-1)
    if (frame?.zero) return { jobId: id, zero: frame.zero, scale: frame.scale }
  }
  return undefined
}

/** The build sheet that a job's next entry is made against: the newest one that a live entry of it took on. */
export function sheetIdNow(job: Job, entries: readonly Entry[]): string {
  const ordered = orderEntries(entries.filter(({ jobId }) => jobId === job.id))
  const struck = struckIds(ordered)
  const adopted = ordered.findLast((entry) => entry.kind === 'sheet' && !struck.has(entry.id))
  return adopted?.kind === 'sheet' ? adopted.toSheetId : job.sheetId
}

/** The parts of the sheet as a job left them. */
function partsOf(
  stand: Stand,
  { job, sheet, draft }: { readonly job: Job; readonly sheet: BuildSheet; readonly draft: Draft },
): Pick<JobState, 'register' | 'loops' | 'couplings' | 'tensioners' | 'turnedTightDeg' | 'ranAsked'> {
  const proving = { ...stand, sheet }
  const { poseSeenDeg, rotation } = stand
  const atPose = poseSeenDeg !== undefined && Math.abs(rotation.totalDeg - poseSeenDeg) <= trimOf(sheet)
  const undoneAt = (apart: Apart | undefined) => (atPose ? 'pose' : (apart?.at ?? 'unknown'))
  const loops = sheet.loops.map((loop): [string, LoopState] => {
    const { id } = loop
    const link = stand.loops.get(id)
    const touched = link?.jobId === job.id
    const untouched = link?.changes.length === 0 && link.is === 'on'
    const proof =
      untouched || (!touched && isLinkProved(proving, 'loop', id))
        ? 'asArrived'
        : touched
          ? proofOfLoop(sheet, loop, draft.counts, alike(stand.seats))
          : 'notCounted'
    return [
      id,
      {
        on: link?.is !== 'off',
        offAt: undoneAt(link?.apart),
        proof,
        turnedTightDeg: link?.turnedTightDeg ?? 0,
      },
    ]
  })
  const couplings = sheet.couplings
    .filter(({ kind }) => kind !== 'gearMesh')
    .map(({ id }): [string, CouplingState] => {
      const link = stand.couplings.get(id)
      const untouched = !link || (link.changes.length === 0 && link.is === 'on')
      const moved = allOf(draft, 'coupling').filter((entry) => entry.couplingId === id && entry.change === 'together')
      return [
        id,
        {
          together: link?.is !== 'off',
          apartAt: undoneAt(link?.apart),
          proof: untouched ? 'asArrived' : isLinkProved(proving, 'coupling', id) ? 'read' : 'notRead',
          steps: moved.reduce((sum, { steps }) => sum + steps, 0),
          stepsTo: moved.reduce((sum, { stepsTo = 0 }) => sum + stepsTo, 0),
        },
      ]
    })
  const tensioners = sheet.members
    .filter(({ kind }) => kind === 'tensioner')
    .map(({ id }): [string, TensionerState] => [id, stand.tensioners.get(id)?.is ?? 'asArrived'])
  return {
    register: stand.register,
    loops: byId(loops),
    couplings: byId(couplings),
    tensioners: byId(tensioners),
    turnedTightDeg: stand.turnedTightDeg,
    ranAsked: stand.ranAsked,
  }
}
