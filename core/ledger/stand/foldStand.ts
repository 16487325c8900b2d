import { readDrive } from '../../drive'
import type { BuildSheet } from '../../model/buildSheet'
import type { Job } from '../../model/engine'
import type { Entry } from '../../model/entry'
import { partsOf } from '../../sheet'
import { rotationCarried } from '../rotation'
import { isNothing, kindOf } from '../kinds'
import { copyOfStand, standOf, startStand, type StandSoFar } from './standSoFar'
import type { EngineRead } from './engineRead'
import { asItCame, uncounted } from './links'
import { isLinkProved, provedShafts } from './proof'
import { forgetAfter } from './lostJobs'
import type { LinkStand, LostJob, Stand, TensionerStand } from './stand'
import { holdsTight, isReleased } from './tensionerStates'

/** The stand of an engine as far as it is folded. */
export interface StandFold {
  readonly soFar: StandSoFar
  readonly begun: ReadonlySet<string>
  /** Lost jobs that no line came after yet. */
  readonly waiting: readonly (LostJob & { readonly counter: number | undefined })[]
}

/** The stand of an engine: a fold over the lines of all of its jobs, in the order that every device agrees on, struck ones left out. Nothing is
 *  copied into a job: what was off, loose, in or unproved in one is so in the next, until a line says otherwise. A job whose ledger is not to be had
 *  leaves everything that it may have done not known. */
export function foldStand(read: EngineRead): {
  readonly stand: StandFold | undefined
  /** As each job left it. */
  readonly ends: ReadonlyMap<string, StandFold>
} {
  const ends = new Map<string, StandFold>()
  const someJob = read.figures.values().next().value
  if (!someJob) return { stand: undefined, ends }
  const { figures, knew, sheets, lost } = read
  const soFar = startStand({ knew, figures, sheets, jobId: '', sheet: someJob.sheet, map: readDrive(someJob.sheet) })
  const folding: Folding = { soFar, begun: new Set(), waiting: [...lost.values()] }
  const lastOf = new Map(read.live.map(({ id, jobId }) => [jobId, id]))
  for (const entry of read.live) {
    take(folding, entry, read)
    if (lastOf.get(entry.jobId) === entry.id) ends.set(entry.jobId, copyOf(folding))
  }
  return { stand: folding, ends }
}

/** One line more. What was folded before stays as it is. */
export function foldStandOn({ soFar, begun, waiting }: StandFold, entry: Entry, read: EngineRead): StandFold {
  const { figures } = read
  const next = copyOf({ soFar: { ...soFar, figures }, begun, waiting })
  take(next, entry, read)
  return next
}

/** The stand as it is looked at from a job, on whose build sheet. `isNow`: these are all lines there are; else it is what was left then. */
export function standAt({ soFar, begun, waiting }: StandFold, job: Job, read: EngineRead, isNow: boolean): Stand {
  const seen = copyOf({ soFar, begun, waiting })
  goTo(seen, job, read)
  // What nobody wrote after may have come last; a job that others followed was left as it was then.
  if (isNow) forget(seen, () => true)
  return finish(seen.soFar)
}

interface Folding {
  readonly soFar: StandSoFar
  readonly begun: Set<string>
  waiting: (LostJob & { readonly counter: number | undefined })[]
}

const copyOf = ({ soFar, begun, waiting }: StandFold): Folding => ({
  soFar: copyOfStand(soFar),
  begun: new Set(begun),
  waiting: [...waiting],
})

function take(folding: Folding, entry: Entry, read: EngineRead): void {
  const job = read.byJob.get(entry.jobId)
  if (!job || read.lost.has(job.id)) return
  const { counter, seen } = entry
  forget(folding, (lastOfLost) => lastOfLost !== undefined && seen !== undefined && counter > lastOfLost)
  goTo(folding, job, read)
  const { onEngine } = kindOf(entry)
  if (!isNothing(onEngine)) onEngine(folding.soFar, entry, job)
}

function goTo({ soFar, begun }: Folding, job: Job, { figures }: EngineRead): void {
  const its = figures.get(job.id)
  if (!its || soFar.jobId === job.id) return
  if (begun.has(job.id)) putSheet(soFar, job.id, its.sheet)
  else beginJob(soFar, job, its.sheet)
  begun.add(job.id)
}

function forget(folding: Folding, isOver: (counter: number | undefined) => boolean): void {
  const over = folding.waiting.filter(({ counter }) => isOver(counter))
  folding.waiting = folding.waiting.filter((one) => !over.includes(one))
  for (const one of over) forgetAfter(folding.soFar, one)
}

function putSheet(soFar: StandSoFar, jobId: string, sheet: BuildSheet): void {
  soFar.jobId = jobId
  soFar.sheet = sheet
  soFar.map = readDrive(sheet)
  // One that was said to be gone, or another one now, and stands on this sheet, is as it was then.
  for (const { id } of sheet.loops) if (!soFar.loops.has(id)) soFar.loops.set(id, soFar.gone.get(id) ?? asItCame)
  for (const { id } of sheet.couplings)
    if (!soFar.couplings.has(id)) soFar.couplings.set(id, soFar.gone.get(id) ?? asItCame)
  for (const { id } of partsOf(sheet).tensioners)
    if (!soFar.tensioners.has(id)) soFar.tensioners.set(id, { is: 'asArrived', totalDeg: undefined })
}

/** A job begins. The crank's place goes on as reckoned; what was undone at the timing position wants looking at again before it is trimmed; what was
 *  proved by then is as good as it came. An engine that came in with its chain off has all of its loops off, wherever the crank stood. */
function beginJob(soFar: StandSoFar, job: Job, sheet: BuildSheet): void {
  const { sheet: before, rotation } = soFar
  const first = soFar.jobId === ''
  const sameCycle = before.zeroCylinderId === sheet.zeroCylinderId && before.cycleDeg === sheet.cycleDeg
  if (!first) {
    for (const kind of ['loop', 'coupling'] as const) {
      const links = kind === 'loop' ? soFar.loops : soFar.couplings
      for (const [id, link] of links) links.set(id, carriedOver(link, isLinkProved(soFar, kind, id)))
    }
  }
  if (!first) settleGone(soFar)
  putSheet(soFar, job.id, sheet)
  soFar.rotation = rotationCarried(rotation, sameCycle, sheet.cycleDeg)
  soFar.jobStartDeg = rotation.totalDeg
  soFar.seatsAtStart = soFar.seats
  soFar.poseSeenDeg = undefined
  soFar.placeSeen = undefined
  soFar.ranAsked = undefined
  soFar.touchedInJob = false
  soFar.turnedTightDeg = 0
  if (job.arrival === 'everyLoopOff') arriveOff(soFar, job)
}

/** A part that was said to be gone is as good as it came where every camshaft is proved without it. */
function settleGone(soFar: StandSoFar): void {
  const shafts = provedShafts(soFar)
  const allProved = soFar.map.camshafts.every((id) => shafts.has(id))
  for (const [id, link] of soFar.gone) soFar.gone.set(id, carriedOver(link, allProved && link.is === 'on'))
}

/** A link as it goes over into the next job. */
const carriedOver = (link: LinkStand, proved: boolean): LinkStand => ({
  ...link,
  apart:
    !link.apart || proved ? undefined : link.apart.at === 'pose' ? { at: 'ended', totalDeg: undefined } : link.apart,
  turnedTightDeg: 0,
  ...(proved ? { changes: [] } : {}),
})

function arriveOff(soFar: StandSoFar, job: Job): void {
  soFar.touchedSinceRan = undefined
  soFar.touchedOn.add(job.sheetId)
  soFar.reads.clear()
  for (const { id } of soFar.sheet.loops) {
    const link = soFar.loops.get(id) ?? asItCame
    if (link.is === 'on')
      soFar.loops.set(id, { ...link, is: 'off', apart: { at: 'unknown', totalDeg: undefined }, ...uncounted })
  }
  const { totalDeg } = soFar.rotation
  for (const [id, { is }] of soFar.tensioners) if (holdsTight(is)) soFar.tensioners.set(id, { is: 'out', totalDeg })
}

/** A part of the sheet that was not on one that the drive was worked on by is not known until somebody says; a part that is on no sheet any more
 *  stays only while something of it is not in order. */
function finish(soFar: StandSoFar): Stand {
  const { sheet } = soFar
  const worked = [...soFar.touchedOn].flatMap((id) => soFar.sheets.get(id) ?? [])
  const isNew = (lists: (of: BuildSheet) => readonly { readonly id: string }[], id: string) =>
    worked.some((one) => !lists(one).some((part) => part.id === id))
  const links = (kind: 'loop' | 'coupling', lists: (of: BuildSheet) => readonly { readonly id: string }[]) => {
    const map = kind === 'loop' ? soFar.loops : soFar.couplings
    return [...map].flatMap(([id, link]): [string, LinkStand][] => {
      if (!lists(sheet).some((part) => part.id === id))
        return link.is === 'on' && !link.suspect && isLinkProved(soFar, kind, id) ? [] : [[id, link]]
      return link.jobId === undefined && link.is === 'on' && isNew(lists, id)
        ? [[id, { ...link, is: 'unknown', why: 'newOnSheet' }]]
        : [[id, link]]
    })
  }
  const loops = links('loop', (of) => of.loops)
  const couplings = links('coupling', (of) => of.couplings)
  const tensioners = [...soFar.tensioners].flatMap(([id, tensioner]): [string, TensionerStand][] => {
    const there = partsOf(sheet).tensioners.some((one) => one.id === id)
    const released = isReleased(tensioner.is)
    if (!there) return released ? [] : [[id, tensioner]]
    return tensioner.is === 'asArrived' && isNew((of) => of.members, id)
      ? [[id, { ...tensioner, is: 'unknown' }]]
      : [[id, tensioner]]
  })
  soFar.loops = new Map(loops)
  soFar.couplings = new Map(couplings)
  soFar.tensioners = new Map(tensioners)
  return standOf(soFar)
}
