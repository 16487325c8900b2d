import { drivenShaftOf, placeOfLink } from '../../drive'
import type { Entry, EntryOf } from '../../model/entry'
import { partsOf } from '../../sheet'
import { wrapToSigned } from '../../units'
import { crankPlace } from '../rotation'
import { seatsAfter } from '../sectionCounts'
import { seenAtPlace } from './placeSeen'
import { isDisputed, noteSaid, type StandSoFar } from './standSoFar'
import { trimOf } from './figures'
import { isLinkProved, readsOut } from './proof'
import type { Apart, LinkStand } from './stand'
import { holdsTight, isReleased } from './tensionerStates'

/** Nothing that was counted on it holds any more. */
export const uncounted = { counts: [], meshCount: undefined } as const

export const asItCame: LinkStand = {
  is: 'on',
  why: undefined,
  apart: undefined,
  changes: [],
  suspect: false,
  ...uncounted,
  countedAtDeg: undefined,
  turnedTightDeg: 0,
  jobId: undefined,
  steps: 0,
  stepsTo: 0,
}

export type LinkKind = 'loop' | 'coupling'
const linksOf = (soFar: StandSoFar, kind: LinkKind) => (kind === 'loop' ? soFar.loops : soFar.couplings)

export const linkAt = (soFar: StandSoFar, kind: LinkKind, id: string): LinkStand =>
  linksOf(soFar, kind).get(id) ?? asItCame

export const setLink = (soFar: StandSoFar, kind: LinkKind, id: string, link: LinkStand): void =>
  void linksOf(soFar, kind).set(id, link)

/** Names of what an entry speaks of, by the sheet that it cites: the part may not be on the next one. */
export function keepName(soFar: StandSoFar, entry: Entry, id: string): void {
  const sheet = soFar.sheets.get(entry.sheetId) ?? soFar.sheet
  const part = [...sheet.loops, ...sheet.members, ...sheet.shafts].find((one) => one.id === id)
  const coupling = partsOf(sheet).coupling(id)
  const behind = coupling && drivenShaftOf(sheet, coupling)?.name
  const what = coupling?.kind === 'gearMesh' ? 'gears' : coupling?.kind
  const name = part?.name ?? (behind && `${what} of ${behind}`)
  if (name !== undefined) soFar.names.set(id, name)
}

/** Something that holds camshafts to the crank was undone, laid otherwise, or put back: what was read behind it is over. */
export function change(
  soFar: StandSoFar,
  {
    kind,
    id,
    entry,
    next,
  }: { kind: LinkKind; id: string; entry: Entry; next: (link: LinkStand) => Partial<LinkStand> },
): void {
  keepName(soFar, entry, id)
  const link = linkAt(soFar, kind, id)
  const proved = isLinkProved(soFar, kind, id)
  // Where it first came undone holds until it is proved: off, on and off again is no new place.
  const apart = link.apart && !proved ? link.apart : apartNow(soFar, entry, id)
  suspectTheRest(soFar, id)
  const beside = link.changes.filter((one) => !soFar.knew(entry, one))
  setLink(soFar, kind, id, {
    ...link,
    changes: [...beside, entry],
    apart,
    suspect: link.suspect,
    why: isDisputed(soFar, kind, id) ? 'disputed' : undefined,
    turnedTightDeg: 0,
    jobId: entry.jobId,
    ...next({ ...link, apart }),
  })
  dropReadsBehind(soFar, id)
  touched(soFar, entry, entry.kind === 'settled' ? undefined : id)
}

/** Something of the drive was undone or laid otherwise: a link of it, or nobody says which. */
export function touched(soFar: StandSoFar, entry: Entry, linkId?: string): void {
  soFar.touchedOn.add(entry.sheetId)
  soFar.touchedInJob = true
  soFar.touchedSinceRan =
    linkId === undefined || !soFar.touchedSinceRan ? undefined : new Set([...soFar.touchedSinceRan, linkId])
  loosened(soFar)
}

/** Whatever sets the cams was touched: turns that prove begin anew. */
export function loosened(soFar: StandSoFar): void {
  soFar.turnedTightDeg = 0
  for (const [id, loop] of soFar.loops) soFar.loops.set(id, { ...loop, turnedTightDeg: 0 })
}

export function dropReadsBehind(soFar: StandSoFar, linkId: string): void {
  const behind = soFar.map.behind(linkId)
  for (const [key, { shaftId }] of soFar.reads) if (behind.includes(shaftId)) soFar.reads.delete(key)
}

/** A camshaft that read out says that something on its way is wrong, and not what: when one link is mended the others are not taken for right. */
function suspectTheRest(soFar: StandSoFar, changedId: string): void {
  for (const shaftId of soFar.map.behind(changedId)) {
    if (!readsOut(soFar, shaftId)) continue
    const way = soFar.map.holdsBy(shaftId)
    for (const kind of ['loop', 'coupling'] as const)
      for (const [id, link] of linksOf(soFar, kind))
        if (id !== changedId && (!way || way.some((one) => one.id === id)))
          setLink(soFar, kind, id, { ...link, suspect: true })
  }
}

/** At the timing position when the ledger has the crank within the trim of it on the whole cycle, or it was seen there in this job. */
function apartNow(soFar: StandSoFar, entry: Entry, linkId: string): Apart {
  const { rotation, sheet } = soFar
  const placeDeg = placeOfLink(sheet, linkId)
  const seenDeg = seenAtPlace(soFar, placeDeg)
  const { totalDeg } = rotation
  const unknown: Apart = { at: 'unknown', totalDeg: undefined }
  const turnedUnknown = (soFar.said.get('crank crank') ?? []).some((one) => !soFar.knew(entry, one.entry))
  if (turnedUnknown || isDisputed(soFar, 'crank', 'crank')) return unknown
  const zero = soFar.figures.get(soFar.jobId)?.zeros.frames.at(-1)?.zero
  const { place } = crankPlace(rotation, sheet, zero)
  const trimDeg = trimOf(sheet)
  if (seenDeg !== undefined && Math.abs(totalDeg - seenDeg) <= trimDeg) return { at: 'pose', totalDeg }
  // A place carried over from an earlier job is no place to take a chain off by.
  if (place.deg === undefined || !rotation.reference) return unknown
  const away = wrapToSigned(place.deg - placeDeg, sheet.cycleDeg)
  return { at: Math.abs(away) <= trimDeg ? 'pose' : 'elsewhere', totalDeg }
}

export function takeLoop(soFar: StandSoFar, entry: EntryOf<'loop'>): void {
  noteSaid(soFar, 'loop', entry.loopId, { entry, value: entry.change })
  const off = entry.change === 'off'
  change(soFar, {
    kind: 'loop',
    id: entry.loopId,
    entry,
    next: () => ({ is: isDisputed(soFar, 'loop', entry.loopId) ? 'unknown' : off ? 'off' : 'on', ...uncounted }),
  })
  if (off) letGoOfTensioners(soFar, entry)
  else endsSeenShut(soFar, soFar.map.behind(entry.loopId))
}

/** What held the loop tight says nothing more of it: that it is released has to be said again. */
function letGoOfTensioners(soFar: StandSoFar, entry: EntryOf<'loop'>): void {
  const sheet = soFar.sheets.get(entry.sheetId) ?? soFar.sheet
  const loop = partsOf(sheet).loop(entry.loopId)
  const { totalDeg } = soFar.rotation
  for (const { id } of partsOf(sheet).tensioners) {
    if (!(loop?.path.some(({ memberId }) => memberId === id) ?? true)) continue
    const is = soFar.tensioners.get(id)?.is ?? 'asArrived'
    if (holdsTight(is)) {
      keepName(soFar, entry, id)
      soFar.tensioners.set(id, { is: 'notSaid', totalDeg })
    }
  }
}

export function endsSeenShut(soFar: StandSoFar, shaftIds: readonly string[]): void {
  for (const id of shaftIds) {
    const camshaft = soFar.camshafts.get(id)
    if (camshaft?.seenShut) {
      soFar.camshafts.set(id, { ...camshaft, seenShut: false })
      endTrims(soFar, [id])
    }
  }
}

/** A camshaft moved, went in, or is no longer relieved: where the parts before it came undone says nothing more. */
export function endTrims(soFar: StandSoFar, shaftIds: readonly string[]): void {
  for (const kind of ['loop', 'coupling'] as const)
    for (const [id, link] of linksOf(soFar, kind)) {
      if (!link.apart || link.apart.at === 'elsewhere' || !soFar.map.behind(id).some((one) => shaftIds.includes(one)))
        continue
      setLink(soFar, kind, id, { ...link, apart: { at: 'ended', totalDeg: undefined } })
    }
}

export function takeMoved(soFar: StandSoFar, entry: EntryOf<'moved'>): void {
  noteSaid(soFar, 'loop', entry.loopId, { entry, value: 'on' })
  const sheet = soFar.sheets.get(entry.sheetId) ?? soFar.sheet
  // Counts that do not end on the wheel it was moved over still hold.
  const ends = (markId: string) => sheet.marks.some(({ id, memberId }) => id === markId && memberId === entry.memberId)
  change(soFar, {
    kind: 'loop',
    id: entry.loopId,
    entry,
    next: ({ counts, is }) => ({
      is: isDisputed(soFar, 'loop', entry.loopId) ? 'unknown' : is,
      counts: counts.filter(
        ({ fromMarkId, toMarkId, phase }) => phase !== 'found' && !ends(fromMarkId) && !ends(toMarkId),
      ),
    }),
  })
  soFar.seats = { ...soFar.seats, ...entry.seats }
}

/** A wheel set otherwise on its shaft: every loop round it wants counting by other figures, a coupling behind it reading. */
export function takeAdjusted(soFar: StandSoFar, entry: EntryOf<'adjusted'>): void {
  const sheet = soFar.sheets.get(entry.sheetId) ?? soFar.sheet
  const memberId = partsOf(sheet).adjuster(entry.adjusterId)?.memberId
  const round = sheet.loops.filter(({ path }) => path.some((part) => part.memberId === memberId))
  const joined = sheet.couplings.filter(({ fromId, toId }) => fromId === memberId || toId === memberId)
  // What it is a part of is not told: then it may be any.
  const loops = memberId === undefined || round.length + joined.length === 0 ? sheet.loops : round
  for (const { id } of loops) change(soFar, { kind: 'loop', id, entry, next: () => uncounted })
  for (const { id } of joined) change(soFar, { kind: 'coupling', id, entry, next: () => uncounted })
  if (loops.length + joined.length === 0) touched(soFar, entry)
  // Only now: whether what went before was proved is told by the figures of before.
  soFar.seats = seatsAfter(sheet, soFar.seats, [entry])
}

export function takeCoupling(soFar: StandSoFar, entry: EntryOf<'coupling'>): void {
  const { couplingId: id, change: to, steps, stepsTo = 0 } = entry
  noteSaid(soFar, 'coupling', id, { entry, value: to })
  change(soFar, {
    kind: 'coupling',
    id,
    entry,
    next: (link) => ({
      ...uncounted,
      is: isDisputed(soFar, 'coupling', id) ? 'unknown' : to === 'apart' ? 'off' : 'on',
      ...(to === 'together' ? { steps: link.steps + steps, stepsTo: link.stepsTo + stepsTo } : {}),
    }),
  })
  if (to === 'together') endsSeenShut(soFar, soFar.map.behind(id))
}

export function takeCount(soFar: StandSoFar, entry: EntryOf<'count'>): void {
  const loop = linkAt(soFar, 'loop', entry.loopId)
  // Found is what was there before anything was touched; and what did not know of a change says nothing about it.
  if (entry.phase === 'found' && loop.jobId === entry.jobId) return
  if (!loop.changes.every((one) => soFar.knew(entry, one))) return
  const countedAtDeg = soFar.rotation.totalDeg
  const { jobId, fromMarkId, toMarkId } = entry
  const others = loop.counts.filter(
    (one) => one.jobId !== jobId || one.fromMarkId !== fromMarkId || one.toMarkId !== toMarkId,
  )
  setLink(soFar, 'loop', entry.loopId, { ...loop, counts: [...others, entry], countedAtDeg })
}

export function takeMeshCount(soFar: StandSoFar, entry: EntryOf<'meshCount'>): void {
  const mesh = linkAt(soFar, 'coupling', entry.couplingId)
  if (entry.phase === 'found' && mesh.jobId === entry.jobId) return
  if (!mesh.changes.every((one) => soFar.knew(entry, one))) return
  const countedAtDeg = soFar.rotation.totalDeg
  setLink(soFar, 'coupling', entry.couplingId, { ...mesh, meshCount: entry, countedAtDeg })
}

export function takeTensioner(soFar: StandSoFar, entry: EntryOf<'tensioner'>): void {
  keepName(soFar, entry, entry.memberId)
  noteSaid(soFar, 'tensioner', entry.memberId, { entry, value: entry.state })
  const before = soFar.tensioners.get(entry.memberId)
  const released = isReleased(entry.state)
  const letGo = before && !holdsTight(before.is)
  soFar.tensioners.set(entry.memberId, {
    is: isDisputed(soFar, 'tensioner', entry.memberId) ? 'unknown' : entry.state,
    totalDeg: letGo ? before.totalDeg : soFar.rotation.totalDeg,
    saidDeg: soFar.rotation.totalDeg,
  })
  soFar.touchedOn.add(entry.sheetId)
  if (!released) loosened(soFar)
}
