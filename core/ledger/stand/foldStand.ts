import type { BuildSheet } from '../../model/buildSheet'
import type { Job } from '../../model/engine'
import type { Entry } from '../../model/entry'
import { rotationCarried } from '../rotation'
import { struckIds } from '../order'
import { isNothing, kindOf } from '../kinds'
import { readZeros } from '../readZeros'
import { driveMapOf } from './behind'
import { standOf, startStand, type StandDraft } from './draft'
import { orderEngineEntries, whoKnew } from './knowing'
import { asItCame, couplingsOf } from './links'
import { isLinkProved } from './proof'
import { forgetAfter, lostJobsOf } from './lostJobs'
import type { JobFigures, LinkStand, Stand, TensionerStand } from './stand'

export interface EngineLedger {
  readonly jobs: readonly Job[]
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
}

/** The stand of an engine: a fold over the entries of all of its jobs, in the order that every device agrees on, struck ones left out. Nothing is
 *  copied into a job: what was off, loose, in or unproved in one is so in the next, until an entry says otherwise. `jobId`: the job that it is
 *  looked at from, on whose build sheet. `until`: no further than that job's last entry, for what it left. A job whose ledger is not to be had leaves
 *  everything that it may have done not known. */
export function foldStand({
  ledger: { jobs, sheets, entries },
  jobId,
  until = 'now',
  unreadable = new Set(),
}: {
  readonly ledger: EngineLedger
  readonly jobId: string
  readonly until?: 'now' | 'endOfJob'
  /** Jobs whose ledgers cannot be read. */
  readonly unreadable?: ReadonlySet<string>
}): Stand {
  const byJob = new Map(jobs.map((job) => [job.id, job]))
  const ordered = orderEngineEntries(
    jobs,
    entries.filter((entry) => byJob.has(entry.jobId)),
  )
  const struck = struckIds(ordered)
  const live = ordered.filter(({ id, kind }) => !struck.has(id) && kind !== 'strike')
  const figures = figuresOf(jobs, sheets, live)
  const own = figures.get(jobId)
  const job = byJob.get(jobId)
  if (!own || !job) throw new Error(`Broken invariant: job ${jobId} has no build sheet`)
  const last = live.findLastIndex((entry) => entry.jobId === jobId)
  const taken = until === 'endOfJob' && last >= 0 ? live.slice(0, last + 1) : live
  const draft = startStand({
    knew: whoKnew(jobs, ordered),
    figures,
    sheets: new Map(sheets.map((sheet) => [sheet.id, sheet])),
    jobId: '',
    sheet: own.sheet,
    map: driveMapOf(own.sheet),
  })
  const lost = lostJobsOf(jobs, entries, ({ id }) => figures.has(id) && !unreadable.has(id))
  const begun = new Set<string>()
  const goTo = (next: Job) => {
    const its = figures.get(next.id)
    if (!its || draft.jobId === next.id) return
    if (begun.has(next.id)) putSheet(draft, next.id, its.sheet)
    else beginJob(draft, next, its.sheet)
    begun.add(next.id)
  }
  const waiting = [...lost.values()]
  const forget = (isOver: (counter: number | undefined) => boolean) => {
    for (const one of waiting.filter(({ counter }) => isOver(counter))) {
      waiting.splice(waiting.indexOf(one), 1)
      forgetAfter(draft, one)
    }
  }
  for (const entry of taken) {
    const its = byJob.get(entry.jobId)
    if (!its || lost.has(its.id)) continue
    forget((counter) => counter !== undefined && entry.seen !== undefined && entry.counter > counter)
    goTo(its)
    const { onEngine } = kindOf(entry)
    if (!isNothing(onEngine)) onEngine(draft, entry, its)
  }
  goTo(job)
  // What nobody wrote after may have come last; a job that others followed was left as it was then.
  if (taken.length === live.length) forget(() => true)
  return finish(draft)
}

/** The newest build sheet that each job took on, and its zeros. A job without a sheet that can be had has none. */
function figuresOf(
  jobs: readonly Job[],
  sheets: readonly BuildSheet[],
  live: readonly Entry[],
): Map<string, JobFigures> {
  const byId = new Map(sheets.map((sheet) => [sheet.id, sheet]))
  return new Map(
    jobs.flatMap((job): [string, JobFigures][] => {
      const inJob = live.filter(({ jobId }) => jobId === job.id)
      const toSheetId = inJob.findLast((entry) => entry.kind === 'sheet')?.toSheetId
      const sheet = byId.get(toSheetId ?? '') ?? byId.get(job.sheetId)
      return sheet ? [[job.id, { sheet, zeros: readZeros(inJob, sheet) }]] : []
    }),
  )
}

function putSheet(draft: StandDraft, jobId: string, sheet: BuildSheet): void {
  draft.jobId = jobId
  draft.sheet = sheet
  draft.map = driveMapOf(sheet)
  // One that was said to be gone, or another one now, and stands on this sheet, is as it was then.
  for (const { id } of sheet.loops) if (!draft.loops.has(id)) draft.loops.set(id, draft.gone.get(id) ?? asItCame)
  for (const { id } of couplingsOf(sheet))
    if (!draft.couplings.has(id)) draft.couplings.set(id, draft.gone.get(id) ?? asItCame)
  for (const { id, kind } of sheet.members)
    if (kind === 'tensioner' && !draft.tensioners.has(id))
      draft.tensioners.set(id, { is: 'asArrived', totalDeg: undefined })
}

/** A job begins. The crank's place goes on as reckoned; what was undone at the timing position wants looking at again before it is trimmed; what was
 *  proved by then is as good as it came. An engine that came in with its chain off has all of its loops off, wherever the crank stood. */
function beginJob(draft: StandDraft, job: Job, sheet: BuildSheet): void {
  const { sheet: before, rotation } = draft
  const first = draft.jobId === ''
  const sameCycle = before.zeroCylinderId === sheet.zeroCylinderId && before.cycleDeg === sheet.cycleDeg
  if (!first) {
    for (const kind of ['loop', 'coupling'] as const) {
      const links = kind === 'loop' ? draft.loops : draft.couplings
      for (const [id, link] of links) {
        const proved = isLinkProved(draft, kind, id)
        const apart =
          !link.apart || proved
            ? undefined
            : link.apart.at === 'pose'
              ? { at: 'ended' as const, totalDeg: undefined }
              : link.apart
        links.set(id, { ...link, apart, turnedTightDeg: 0, ...(proved ? { changes: [] } : {}) })
      }
    }
  }
  putSheet(draft, job.id, sheet)
  draft.rotation = rotationCarried(rotation, sameCycle, sheet.cycleDeg)
  draft.jobStartDeg = rotation.totalDeg
  draft.seatsAtStart = draft.seats
  draft.poseSeenDeg = undefined
  draft.ranAsked = undefined
  draft.touchedInJob = false
  draft.turnedTightDeg = 0
  if (job.arrival === 'chainOff') arriveOff(draft, job)
}

function arriveOff(draft: StandDraft, job: Job): void {
  draft.ranSo = false
  draft.touchedOn.add(job.sheetId)
  draft.reads = []
  for (const { id } of draft.sheet.loops) {
    const link = draft.loops.get(id) ?? asItCame
    if (link.is === 'on')
      draft.loops.set(id, { ...link, is: 'off', apart: { at: 'unknown', totalDeg: undefined }, counts: [] })
  }
  const { totalDeg } = draft.rotation
  for (const [id, { is }] of draft.tensioners)
    if (is === 'asArrived' || is === 'released' || is === 'proven') draft.tensioners.set(id, { is: 'out', totalDeg })
}

/** A part of the sheet that was not on one that the drive was worked on by is not known until somebody says; a part that is on no sheet any more
 *  stays only while something of it is not in order. */
function finish(draft: StandDraft): Stand {
  const { sheet } = draft
  const worked = [...draft.touchedOn].flatMap((id) => draft.sheets.get(id) ?? [])
  const isNew = (lists: (of: BuildSheet) => readonly { readonly id: string }[], id: string) =>
    worked.some((one) => !lists(one).some((part) => part.id === id))
  const links = (kind: 'loop' | 'coupling', lists: (of: BuildSheet) => readonly { readonly id: string }[]) => {
    const map = kind === 'loop' ? draft.loops : draft.couplings
    return [...map].flatMap(([id, link]): [string, LinkStand][] => {
      if (!lists(sheet).some((part) => part.id === id))
        return link.is === 'on' && !link.suspect && isLinkProved(draft, kind, id) ? [] : [[id, link]]
      return link.jobId === undefined && link.is === 'on' && isNew(lists, id)
        ? [[id, { ...link, is: 'unknown', why: 'newOnSheet' }]]
        : [[id, link]]
    })
  }
  const loops = links('loop', (of) => of.loops)
  const couplings = links('coupling', (of) => of.couplings)
  const tensioners = [...draft.tensioners].flatMap(([id, tensioner]): [string, TensionerStand][] => {
    const there = sheet.members.some((one) => one.id === id && one.kind === 'tensioner')
    const released = tensioner.is === 'asArrived' || tensioner.is === 'released' || tensioner.is === 'proven'
    if (!there) return released ? [] : [[id, tensioner]]
    return tensioner.is === 'asArrived' && isNew((of) => of.members, id)
      ? [[id, { ...tensioner, is: 'unknown' }]]
      : [[id, tensioner]]
  })
  draft.loops = new Map(loops)
  draft.couplings = new Map(couplings)
  draft.tensioners = new Map(tensioners)
  return standOf(draft)
}
