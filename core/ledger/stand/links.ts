import type { BuildSheet } from '../../model/buildSheet'
import type { Entry, EntryOf } from '../../model/entry'
import { partsOf } from '../../sheet'
import { wrapToSigned } from '../../units'
import { crankPlace } from '../rotation'
import { seatsAfter } from '../sectionCounts'
import { isDisputed, noteSaid, type StandDraft } from './draft'
import { trimOf } from './figures'
import { isLinkProved, readsOut } from './proof'
import type { Apart, LinkStand } from './stand'
import { isReleased } from './tensionerStates'

export const asItCame: LinkStand = {
  is: 'on',
  why: undefined,
  apart: undefined,
  changes: [],
  suspect: false,
  counts: [],
  countedAtDeg: undefined,
  turnedTightDeg: 0,
  jobId: undefined,
  steps: 0,
  stepsTo: 0,
}

export type LinkKind = 'loop' | 'coupling'
const linksOf = (draft: StandDraft, kind: LinkKind) => (kind === 'loop' ? draft.loops : draft.couplings)

export const linkAt = (draft: StandDraft, kind: LinkKind, id: string): LinkStand =>
  linksOf(draft, kind).get(id) ?? asItCame

export const setLink = (draft: StandDraft, kind: LinkKind, id: string, link: LinkStand): void =>
  void linksOf(draft, kind).set(id, link)

/** Names of what an entry speaks of, by the sheet that it cites: the part may not be on the next one. */
export function keepName(draft: StandDraft, entry: Entry, id: string): void {
  const sheet = draft.sheets.get(entry.sheetId) ?? draft.sheet
  const part = [...sheet.loops, ...sheet.members, ...sheet.shafts].find((one) => one.id === id)
  const coupling = partsOf(sheet).coupling(id)
  const behind = coupling && partsOf(sheet).shaft(coupling.toId)?.name
  const name = part?.name ?? (behind && `${coupling.kind} of ${behind}`)
  if (name !== undefined) draft.names.set(id, name)
}

/** Something that holds camshafts to the crank was undone, laid otherwise, or put back: what was read behind it is over. */
export function change(
  draft: StandDraft,
  {
    kind,
    id,
    entry,
    next,
  }: { kind: LinkKind; id: string; entry: Entry; next: (link: LinkStand) => Partial<LinkStand> },
): void {
  keepName(draft, entry, id)
  const link = linkAt(draft, kind, id)
  const proved = isLinkProved(draft, kind, id)
  // Where it first came undone holds until it is proved: off, on and off again is no new place.
  const apart = link.apart && !proved ? link.apart : apartNow(draft, entry)
  suspectTheRest(draft, id)
  const beside = link.changes.filter((one) => !draft.knew(entry, one))
  setLink(draft, kind, id, {
    ...link,
    changes: [...beside, entry],
    apart,
    suspect: link.suspect,
    why: isDisputed(draft, kind, id) ? 'disputed' : undefined,
    turnedTightDeg: 0,
    jobId: entry.jobId,
    ...next({ ...link, apart }),
  })
  dropReadsBehind(draft, id)
  touched(draft, entry)
}

export function touched(draft: StandDraft, entry: Entry): void {
  draft.touchedOn.add(entry.sheetId)
  draft.touchedInJob = true
  draft.ranSo = false
  loosened(draft)
}

/** Whatever sets the cams was touched: turns that prove begin anew. */
export function loosened(draft: StandDraft): void {
  draft.turnedTightDeg = 0
  for (const [id, loop] of draft.loops) draft.loops.set(id, { ...loop, turnedTightDeg: 0 })
}

export function dropReadsBehind(draft: StandDraft, linkId: string): void {
  const behind = draft.map.behind(linkId)
  for (const [key, { shaftId }] of draft.reads) if (behind.includes(shaftId)) draft.reads.delete(key)
}

/** A camshaft that read out says that something on its way is wrong, and not what: when one link is mended the others are not taken for right. */
function suspectTheRest(draft: StandDraft, changedId: string): void {
  for (const shaftId of draft.map.behind(changedId)) {
    if (!readsOut(draft, shaftId)) continue
    const way = draft.map.holdsBy(shaftId)
    for (const kind of ['loop', 'coupling'] as const)
      for (const [id, link] of linksOf(draft, kind))
        if (id !== changedId && (!way || way.some((one) => one.id === id)))
          setLink(draft, kind, id, { ...link, suspect: true })
  }
}

/** At the timing position when the ledger has the crank within the trim of it on the whole cycle, or it was seen there in this job. */
function apartNow(draft: StandDraft, entry: Entry): Apart {
  const { rotation, sheet, poseSeenDeg } = draft
  const { totalDeg } = rotation
  const unknown: Apart = { at: 'unknown', totalDeg: undefined }
  const turnedUnknown = (draft.said.get('crank crank') ?? []).some((one) => !draft.knew(entry, one.entry))
  if (turnedUnknown || isDisputed(draft, 'crank', 'crank')) return unknown
  const zero = draft.figures.get(draft.jobId)?.zeros.frames.at(-1)?.zero
  const { place } = crankPlace(rotation, sheet, zero)
  const trimDeg = trimOf(sheet)
  if (poseSeenDeg !== undefined && Math.abs(totalDeg - poseSeenDeg) <= trimDeg) return { at: 'pose', totalDeg }
  // A place carried over from an earlier job is no place to take a chain off by.
  if (place.deg === undefined || !rotation.reference) return unknown
  const away = wrapToSigned(place.deg - sheet.referencePose.crankDeg.value, sheet.cycleDeg)
  return { at: Math.abs(away) <= trimDeg ? 'pose' : 'elsewhere', totalDeg }
}

export function takeLoop(draft: StandDraft, entry: EntryOf<'loop'>): void {
  noteSaid(draft, 'loop', entry.loopId, { entry, value: entry.change })
  const off = entry.change === 'off'
  change(draft, {
    kind: 'loop',
    id: entry.loopId,
    entry,
    next: () => ({ is: isDisputed(draft, 'loop', entry.loopId) ? 'unknown' : off ? 'off' : 'on', counts: [] }),
  })
  if (off) letGoOfTensioners(draft, entry)
  else endsSeenShut(draft, draft.map.behind(entry.loopId))
}

/** What held the loop tight says nothing more of it: that it is released has to be said again. */
function letGoOfTensioners(draft: StandDraft, entry: EntryOf<'loop'>): void {
  const sheet = draft.sheets.get(entry.sheetId) ?? draft.sheet
  const loop = partsOf(sheet).loop(entry.loopId)
  const { totalDeg } = draft.rotation
  for (const { id } of partsOf(sheet).tensioners) {
    if (!(loop?.path.some(({ memberId }) => memberId === id) ?? true)) continue
    const is = draft.tensioners.get(id)?.is ?? 'asArrived'
    if (isReleased(is)) {
      keepName(draft, entry, id)
      draft.tensioners.set(id, { is: 'notSaid', totalDeg })
    }
  }
}

export function endsSeenShut(draft: StandDraft, shaftIds: readonly string[]): void {
  for (const id of shaftIds) {
    const camshaft = draft.camshafts.get(id)
    if (camshaft?.seenShut) {
      draft.camshafts.set(id, { ...camshaft, seenShut: false })
      endTrims(draft, [id])
    }
  }
}

/** A camshaft moved, went in, or is no longer relieved: where the parts before it came undone says nothing more. */
export function endTrims(draft: StandDraft, shaftIds: readonly string[]): void {
  for (const kind of ['loop', 'coupling'] as const)
    for (const [id, link] of linksOf(draft, kind)) {
      if (!link.apart || link.apart.at === 'elsewhere' || !draft.map.behind(id).some((one) => shaftIds.includes(one)))
        continue
      setLink(draft, kind, id, { ...link, apart: { at: 'ended', totalDeg: undefined } })
    }
}

export function takeMoved(draft: StandDraft, entry: EntryOf<'moved'>): void {
  noteSaid(draft, 'loop', entry.loopId, { entry, value: 'on' })
  const sheet = draft.sheets.get(entry.sheetId) ?? draft.sheet
  // Counts that do not end on the wheel it was moved over still hold.
  const ends = (markId: string) => sheet.marks.some(({ id, memberId }) => id === markId && memberId === entry.memberId)
  change(draft, {
    kind: 'loop',
    id: entry.loopId,
    entry,
    next: ({ counts, is }) => ({
      is: isDisputed(draft, 'loop', entry.loopId) ? 'unknown' : is,
      counts: counts.filter(
        ({ fromMarkId, toMarkId, phase }) => phase !== 'found' && !ends(fromMarkId) && !ends(toMarkId),
      ),
    }),
  })
  draft.seats = { ...draft.seats, ...entry.seats }
}

/** A wheel set otherwise on its shaft: every loop round it wants counting by other figures, a coupling behind it reading. */
export function takeAdjusted(draft: StandDraft, entry: EntryOf<'adjusted'>): void {
  const sheet = draft.sheets.get(entry.sheetId) ?? draft.sheet
  const memberId = partsOf(sheet).adjuster(entry.adjusterId)?.memberId
  const round = sheet.loops.filter(({ path }) => path.some((part) => part.memberId === memberId))
  const joined = sheet.couplings.filter(({ fromId, toId }) => fromId === memberId || toId === memberId)
  // What it is a part of is not told: then it may be any.
  const loops = memberId === undefined || round.length + joined.length === 0 ? sheet.loops : round
  for (const { id } of loops) change(draft, { kind: 'loop', id, entry, next: () => ({ counts: [] }) })
  for (const { id } of joined) change(draft, { kind: 'coupling', id, entry, next: () => ({}) })
  if (loops.length + joined.length === 0) touched(draft, entry)
  // Only now: whether what went before was proved is told by the figures of before.
  draft.seats = seatsAfter(sheet, draft.seats, [entry])
}

export function takeCoupling(draft: StandDraft, entry: EntryOf<'coupling'>): void {
  const { couplingId: id, change: to, steps, stepsTo = 0 } = entry
  noteSaid(draft, 'coupling', id, { entry, value: to })
  change(draft, {
    kind: 'coupling',
    id,
    entry,
    next: (link) => ({
      is: isDisputed(draft, 'coupling', id) ? 'unknown' : to === 'apart' ? 'off' : 'on',
      ...(to === 'together' ? { steps: link.steps + steps, stepsTo: link.stepsTo + stepsTo } : {}),
    }),
  })
  if (to === 'together') endsSeenShut(draft, draft.map.behind(id))
}

export function takeCount(draft: StandDraft, entry: EntryOf<'count'>): void {
  const loop = linkAt(draft, 'loop', entry.loopId)
  // Found is what was there before anything was touched; and what did not know of a change says nothing about it.
  if (entry.phase === 'found' && loop.jobId === entry.jobId) return
  if (!loop.changes.every((one) => draft.knew(entry, one))) return
  const countedAtDeg = draft.rotation.totalDeg
  const { jobId, fromMarkId, toMarkId } = entry
  const others = loop.counts.filter(
    (one) => one.jobId !== jobId || one.fromMarkId !== fromMarkId || one.toMarkId !== toMarkId,
  )
  setLink(draft, 'loop', entry.loopId, { ...loop, counts: [...others, entry], countedAtDeg })
}

export function takeTensioner(draft: StandDraft, entry: EntryOf<'tensioner'>): void {
  keepName(draft, entry, entry.memberId)
  noteSaid(draft, 'tensioner', entry.memberId, { entry, value: entry.state })
  const before = draft.tensioners.get(entry.memberId)
  const released = isReleased(entry.state)
  const letGo = before && !isReleased(before.is)
  draft.tensioners.set(entry.memberId, {
    is: isDisputed(draft, 'tensioner', entry.memberId) ? 'unknown' : entry.state,
    totalDeg: letGo ? before.totalDeg : draft.rotation.totalDeg,
  })
  draft.touchedOn.add(entry.sheetId)
  if (!released) loosened(draft)
}

/** Couplings that can be drawn apart, of a sheet. */
export const couplingsOf = (sheet: BuildSheet) => sheet.couplings.filter(({ kind }) => kind !== 'gearMesh')
