import type { Entry, EntryOf } from '../../model/entry'
import { shaftOfRead, type CamRead } from '../camWitnesses'
import { isDisputed, noteSaid, type StandDraft } from './draft'
import { change, couplingsOf, endsSeenShut, endTrims, keepName, linkAt, loosened } from './links'
import { latenessAtMark, readKey, type Lateness } from './proof'
import { isRelieved } from './relief'
import type { RegisterItem, Stand } from './stand'

export function takeItem(draft: StandDraft, entry: EntryOf<'item'>): void {
  const { itemId, item, where, change: to, at, id, jobId, of } = entry
  noteSaid(draft, 'item', itemId, { entry, value: to })
  // Said again while it is in, it is in where it first went in.
  const there = draft.register.find((one) => one.itemId === itemId)
  const totalDeg = there ? there.totalDeg : draft.rotation.totalDeg
  const fresh: RegisterItem = { itemId, item, where, since: at, entryId: id, jobId, of, totalDeg }
  const isIn = to === 'in' || isDisputed(draft, 'item', itemId)
  putOnRegister(draft, to === 'in' ? fresh : (draft.items.get(itemId) ?? fresh), isIn)
}

/** Puts something on the register, or takes it off. Valves that are relieved no longer end every trim before them. */
export function putOnRegister(draft: StandDraft, item: RegisterItem, isIn: boolean): void {
  draft.items.set(item.itemId, item)
  const relieved = draft.map.camshafts.filter((id) => isRelieved(draft.sheet, draft, id))
  const others = draft.register.filter(({ itemId }) => itemId !== item.itemId)
  draft.register = isIn ? [...others, item] : others
  endTrims(
    draft,
    relieved.filter((id) => !isRelieved(draft.sheet, draft, id)),
  )
}

export function takeCamshaft(draft: StandDraft, entry: EntryOf<'camshaft'>): void {
  const { shaftId, is } = entry
  keepName(draft, entry, shaftId)
  const before = draft.camshafts.get(shaftId)
  if (is === 'seenShut') {
    noteSaid(draft, 'camshaft', shaftId, { entry, value: 'held' })
    if (isDisputed(draft, 'camshaft', shaftId)) return putCamshaft(draft, entry, shaftId, 'unknown')
    // Only of one that is held can it be said: free, its springs throw it on.
    if (before?.is === 'held') draft.camshafts.set(shaftId, { is: 'held', seenShut: true })
    return
  }
  noteSaid(draft, 'camshaft', shaftId, { entry, value: is })
  const disputed = isDisputed(draft, 'camshaft', shaftId)
  putCamshaft(draft, entry, shaftId, disputed ? 'unknown' : is)
}

/** What a camshaft now is. Taken out, or let free, nothing says any more which of its teeth meet which. */
export function putCamshaft(
  draft: StandDraft,
  entry: Entry,
  shaftId: string,
  is: 'out' | 'free' | 'held' | 'driven' | 'unknown',
): void {
  const before = draft.camshafts.get(shaftId)
  const relieved = isRelieved(draft.sheet, draft, shaftId)
  if (is === 'out' || before?.is === 'out' || is === 'unknown') changeLastLink(draft, entry, shaftId)
  if (before?.is === 'held' && is === 'held') draft.camshafts.set(shaftId, { ...before })
  else draft.camshafts.set(shaftId, { is, seenShut: false })
  if (before?.is === 'out' || (relieved && !isRelieved(draft.sheet, draft, shaftId))) endTrims(draft, [shaftId])
}

function changeLastLink(draft: StandDraft, entry: Entry, shaftId: string): void {
  const way = draft.map.holdsBy(shaftId)
  const last = way?.at(-1)
  const links = last
    ? [last]
    : [
        ...draft.sheet.loops.map(({ id }) => ({ kind: 'loop' as const, id })),
        ...couplingsOf(draft.sheet).map(({ id }) => ({ kind: 'coupling' as const, id })),
      ]
  for (const { kind, id } of links)
    change(draft, { kind: kind === 'loop' ? 'loop' : 'coupling', id, entry, next: () => ({ counts: [] }) })
}

/** With what drives it undone a camshaft that is set to its mark was moved; else its mark was seen, which reads it. */
export function takeCamSet(draft: StandDraft, entry: EntryOf<'camSet'>): void {
  loosened(draft)
  if (isLoose(draft, entry.shaftId)) {
    // Moved by a hand that did not know of another who held it, or saw its valves shut.
    noteSaid(draft, 'camshaft', entry.shaftId, { entry, value: 'moved' })
    if (isDisputed(draft, 'camshaft', entry.shaftId)) putCamshaft(draft, entry, entry.shaftId, 'unknown')
    endsSeenShut(draft, [entry.shaftId])
    return endTrims(draft, [entry.shaftId])
  }
  const lateness = latenessAtMark(draft, entry)
  if (lateness) addRead(draft, entry, entry.shaftId, lateness)
}

/** Whether nothing holds a camshaft to the crank, or nobody knows. */
export function isLoose(draft: StandDraft, shaftId: string): boolean {
  if (draft.camshafts.get(shaftId)?.is === 'out') return true
  const way = draft.map.holdsBy(shaftId)
  const off = (kind: 'loop' | 'coupling', id: string) => linkAt(draft, kind, id).is !== 'on'
  if (way) return way.some(({ kind, id }) => off(kind === 'loop' ? 'loop' : 'coupling', id))
  return [...draft.loops.values(), ...draft.couplings.values()].some(({ is }) => is !== 'on')
}

export function takeRead(draft: StandDraft, entry: CamRead): void {
  const sheet = draft.figures.get(entry.jobId)?.sheet ?? draft.sheet
  const shaftId = shaftOfRead(sheet, entry)
  if (shaftId !== undefined) addRead(draft, entry, shaftId, undefined, entry.phase === 'found')
}

function addRead(
  draft: StandDraft,
  entry: CamRead | EntryOf<'camSet'>,
  shaftId: string,
  lateness: Lateness | undefined,
  found = false,
): void {
  const way = draft.map.holdsBy(shaftId)
  const links = [
    ...[...draft.loops].filter(([id]) => !way || way.some((one) => one.id === id)),
    ...[...draft.couplings].filter(([id]) => !way || way.some((one) => one.id === id)),
  ].map(([, link]) => link)
  // What was found was there before anything was touched in this job.
  if (found && links.some(({ jobId }) => jobId === entry.jobId)) return
  const proves = links.every(({ is, changes }) => is === 'on' && changes.every((one) => draft.knew(entry, one)))
  const { totalDeg } = draft.rotation
  const reading = { entry, shaftId, jobId: entry.jobId, proves, lateness, totalDeg }
  draft.reads.set(readKey(reading), reading)
}

/** Whether an engine as it stands can have run until it came in: everything on, in and driven, and nothing touched in this job. */
export const couldHaveRun = ({
  loops,
  couplings,
  camshafts,
  disputes,
  touchedInJob,
}: Pick<Stand, 'loops' | 'couplings' | 'camshafts' | 'disputes' | 'touchedInJob'>) =>
  !touchedInJob &&
  disputes.length === 0 &&
  [...loops.values(), ...couplings.values()].every(({ is }) => is === 'on') &&
  [...camshafts.values()].every(({ is }) => is === 'driven')

/** Somebody's word that the engine came in whole and ran as it stands until now: then it turns the running way as it stands. It says nothing once
 *  something was touched in this job, or while anything is off, loose or in dispute. */
export function takeRan(draft: StandDraft, entry: EntryOf<'ranUntilNow'>): void {
  draft.ranAsked = entry
  if (entry.says !== 'yes') {
    draft.ranSo = false
    return
  }
  const links = [...draft.loops.values(), ...draft.couplings.values()]
  const knewAll = links.every(({ changes }) => changes.every((one) => draft.knew(entry, one)))
  if (!knewAll || !couldHaveRun({ ...draft, disputes: [...draft.disputes.values()] })) return
  for (const map of [draft.loops, draft.couplings])
    for (const [id, link] of map) map.set(id, { ...link, changes: [], apart: undefined, suspect: false, counts: [] })
  draft.reads.clear()
  draft.ranSo = true
  // It ran: where an earlier job left the crank says nothing.
  draft.rotation = { ...draft.rotation, carriedOriginDeg: undefined }
}
