import type { Entry, EntryOf } from '../../model/entry'
import { shaftOfRead, type CamRead } from '../camWitnesses'
import { isDisputed, noteSaid, type StandSoFar } from './standSoFar'
import { change, endsSeenShut, endTrims, keepName, linkAt, loosened, uncounted } from './links'
import { latenessAtMark, readKey, type Lateness } from './proof'
import { registerItems } from '../registerItems'
import { isRelieved } from './relief'
import type { RegisterItem, Stand } from './stand'

export function takeItem(soFar: StandSoFar, entry: EntryOf<'item'>): void {
  const { itemId, item, where, change: to, at, id, jobId, of } = entry
  noteSaid(soFar, 'item', itemId, { entry, value: to })
  // Said again while it is in, it is in where it first went in.
  const there = soFar.register.find((one) => one.itemId === itemId)
  const totalDeg = there ? there.totalDeg : soFar.rotation.totalDeg
  const fresh: RegisterItem = { itemId, item, where, since: at, entryId: id, jobId, of, totalDeg }
  const isIn = to === 'in' || isDisputed(soFar, 'item', itemId)
  putOnRegister(soFar, to === 'in' ? fresh : (soFar.items.get(itemId) ?? fresh), isIn)
}

/** Puts something on the register, or takes it off. Valves that are relieved no longer end every trim before them. */
export function putOnRegister(soFar: StandSoFar, item: RegisterItem, isIn: boolean): void {
  soFar.items.set(item.itemId, item)
  const relieved = soFar.map.camshafts.filter((id) => isRelieved(soFar.sheet, soFar, id))
  const others = soFar.register.filter(({ itemId }) => itemId !== item.itemId)
  soFar.register = isIn ? [...others, item] : others
  if (registerItems[item.item].loose) loosened(soFar)
  endTrims(
    soFar,
    relieved.filter((id) => !isRelieved(soFar.sheet, soFar, id)),
  )
}

export function takeCamshaft(soFar: StandSoFar, entry: EntryOf<'camshaft'>): void {
  const { shaftId, is } = entry
  keepName(soFar, entry, shaftId)
  const before = soFar.camshafts.get(shaftId)
  if (is === 'seenShut') {
    noteSaid(soFar, 'camshaft', shaftId, { entry, value: 'held' })
    if (isDisputed(soFar, 'camshaft', shaftId)) return putCamshaft(soFar, entry, shaftId, 'unknown')
    // Only of one that is held can it be said: free, its springs throw it on.
    if (before?.is === 'held') soFar.camshafts.set(shaftId, { is: 'held', seenShut: true })
    return
  }
  noteSaid(soFar, 'camshaft', shaftId, { entry, value: is })
  const disputed = isDisputed(soFar, 'camshaft', shaftId)
  putCamshaft(soFar, entry, shaftId, disputed ? 'unknown' : is)
}

/** What a camshaft now is. Taken out, or let free, nothing says any more which of its teeth meet which. */
export function putCamshaft(
  soFar: StandSoFar,
  entry: Entry,
  shaftId: string,
  is: 'out' | 'free' | 'held' | 'driven' | 'unknown',
): void {
  const before = soFar.camshafts.get(shaftId)
  const relieved = isRelieved(soFar.sheet, soFar, shaftId)
  if (is === 'out' || before?.is === 'out' || is === 'unknown') changeLastLink(soFar, entry, shaftId)
  if (before?.is === 'held' && is === 'held') soFar.camshafts.set(shaftId, { ...before })
  else soFar.camshafts.set(shaftId, { is, seenShut: false })
  if (before?.is === 'out' || (relieved && !isRelieved(soFar.sheet, soFar, shaftId))) endTrims(soFar, [shaftId])
}

function changeLastLink(soFar: StandSoFar, entry: Entry, shaftId: string): void {
  const way = soFar.map.holdsBy(shaftId)
  const last = way?.at(-1)
  const links = last
    ? [last]
    : [
        ...soFar.sheet.loops.map(({ id }) => ({ kind: 'loop' as const, id })),
        ...soFar.sheet.couplings.map(({ id }) => ({ kind: 'coupling' as const, id })),
      ]
  for (const { kind, id } of links)
    change(soFar, { kind: kind === 'loop' ? 'loop' : 'coupling', id, entry, next: () => uncounted })
}

/** With what drives it undone a camshaft that is set to its mark was moved; else its mark was seen, which reads it. */
export function takeCamSet(soFar: StandSoFar, entry: EntryOf<'camSet'>): void {
  loosened(soFar)
  if (isLoose(soFar, entry.shaftId)) {
    // Moved by a hand that did not know of another who held it, or saw its valves shut.
    noteSaid(soFar, 'camshaft', entry.shaftId, { entry, value: 'moved' })
    if (isDisputed(soFar, 'camshaft', entry.shaftId)) putCamshaft(soFar, entry, entry.shaftId, 'unknown')
    endsSeenShut(soFar, [entry.shaftId])
    return endTrims(soFar, [entry.shaftId])
  }
  const lateness = latenessAtMark(soFar, entry)
  if (lateness) addRead(soFar, entry, entry.shaftId, lateness)
}

/** Whether nothing holds a camshaft to the crank, or nobody knows. */
export function isLoose(soFar: StandSoFar, shaftId: string): boolean {
  if (soFar.camshafts.get(shaftId)?.is === 'out') return true
  const way = soFar.map.holdsBy(shaftId)
  const off = (kind: 'loop' | 'coupling', id: string) => linkAt(soFar, kind, id).is !== 'on'
  if (way) return way.some(({ kind, id }) => off(kind === 'loop' ? 'loop' : 'coupling', id))
  return [...soFar.loops.values(), ...soFar.couplings.values()].some(({ is }) => is !== 'on')
}

export function takeRead(soFar: StandSoFar, entry: CamRead): void {
  const sheet = soFar.figures.get(entry.jobId)?.sheet ?? soFar.sheet
  const shaftId = shaftOfRead(sheet, entry)
  if (shaftId !== undefined) addRead(soFar, entry, shaftId, undefined, entry.phase === 'found')
}

function addRead(
  soFar: StandSoFar,
  entry: CamRead | EntryOf<'camSet'>,
  shaftId: string,
  lateness: Lateness | undefined,
  found = false,
): void {
  const way = soFar.map.holdsBy(shaftId)
  const links = [
    ...[...soFar.loops].filter(([id]) => !way || way.some((one) => one.id === id)),
    ...[...soFar.couplings].filter(([id]) => !way || way.some((one) => one.id === id)),
  ].map(([, link]) => link)
  // What was found was there before anything was touched in this job.
  if (found && links.some(({ jobId }) => jobId === entry.jobId)) return
  const proves = links.every(({ is, changes }) => is === 'on' && changes.every((one) => soFar.knew(entry, one)))
  const { totalDeg } = soFar.rotation
  const reading = { entry, shaftId, jobId: entry.jobId, proves, lateness, totalDeg }
  const { before: _earlier, ...before } = soFar.reads.get(readKey(reading)) ?? {}
  soFar.reads.set(readKey(reading), { ...reading, before: 'entry' in before ? before : undefined })
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
export function takeRan(soFar: StandSoFar, entry: EntryOf<'ranUntilNow'>): void {
  soFar.ranAsked = entry
  if (entry.says !== 'yes') {
    soFar.touchedSinceRan = undefined
    return
  }
  const links = [...soFar.loops.values(), ...soFar.couplings.values()]
  const knewAll = links.every(({ changes }) => changes.every((one) => soFar.knew(entry, one)))
  if (!knewAll || !couldHaveRun({ ...soFar, disputes: [...soFar.disputes.values()] })) return
  for (const map of [soFar.loops, soFar.couplings])
    for (const [id, link] of map) map.set(id, { ...link, changes: [], apart: undefined, suspect: false, ...uncounted })
  soFar.reads.clear()
  soFar.touchedSinceRan = new Set()
  // It ran: where an earlier job left the crank says nothing.
  soFar.rotation = { ...soFar.rotation, carriedOriginDeg: undefined }
}
