import { cutSigmaDeg, offPlace, tellsToothBy } from '../../byMark'
import { isSaid, MARK_BY_EYE_SIGMA_DEG } from '../../cams'
import type { BuildSheet } from '../../model/buildSheet'
import type { EntryOf } from '../../model/entry'
import { partsOf } from '../../sheet'
import { ratioValue, wrapToSigned } from '../../units'
import { markPoseDeg, type MemberLateness, readDrive, readMeshCount } from '../../drive'
import { isAstern, isCamRead, latenessOfRead, tellsToothOf, thingOfRead } from '../camWitnesses'
import { crankPlace } from '../rotation'
import { alike, readLoop } from '../sectionCounts'
import type { WayLink } from '../../drive'
import { safeOutOf, toothOf } from './figures'
import type { LinkStand, ShaftReading, Stand } from './stand'

/** What proofs are worked out from: of a stand, or of one that is being folded. */
export interface Proving extends Pick<
  Stand,
  'loops' | 'couplings' | 'reads' | 'seats' | 'figures' | 'rotation' | 'poseSeenDeg'
> {
  readonly sheet: BuildSheet
}

export interface Lateness {
  readonly latenessDeg: number
  readonly sigmaDeg: number
}

/** A camshaft's lateness by one reading, with the figures of the job that it was written in; undefined where it says nothing. */
export function latenessOfReading({ figures }: Pick<Proving, 'figures'>, reading: ShaftReading): Lateness | undefined {
  const { entry, jobId, lateness } = reading
  if (lateness) return lateness
  const own = figures.get(jobId)
  if (!own || !isCamRead(entry)) return undefined
  const read = latenessOfRead(own.sheet, own.zeros, entry)
  return isSaid(read) ? read : undefined
}

/** What a reading says of whether its camshaft may be turned by: in, when even two sigma more would be; out, when that is more than is safe; or
 *  nothing, when it is too blunt to tell. */
export function saysOf({ latenessDeg, sigmaDeg }: Lateness, safeDeg: number): 'in' | 'out' | 'cannotTell' {
  const size = Math.abs(latenessDeg)
  if (size + 2 * sigmaDeg <= safeDeg) return 'in'
  return 2 * sigmaDeg <= safeDeg || size > safeDeg ? 'out' : 'cannotTell'
}

/** What a reading is a reading of. */
export const readKey = ({ entry, shaftId }: ShaftReading) =>
  `${shaftId} ${isCamRead(entry) ? thingOfRead(entry) : entry.kind}${isAstern(entry) ? ' astern' : ''}`

const readsOf = ({ reads }: Pick<Proving, 'reads'>, shaftId: string) =>
  [...reads.values()].filter((one) => one.shaftId === shaftId)

/** Two readings of one thing that cannot both be true, by two sigma of what lies between them. */
const contradict = (a: Lateness, b: Lateness) =>
  Math.abs(a.latenessDeg - b.latenessDeg) > 2 * Math.hypot(a.sigmaDeg, b.sigmaDeg)

/** The reading before, where the last one contradicts it: until two in a row agree, or one is struck, the worse of them holds. */
export function contradicted(proving: Proving, reading: ShaftReading): ShaftReading | undefined {
  const { before } = reading
  const last = before && latenessOfReading(proving, reading)
  const earlier = before && latenessOfReading(proving, before)
  return last && earlier && contradict(last, earlier) ? before : undefined
}

export interface ReadOut {
  readonly by: 'reading' | 'count'
  /** It is one of two readings of one thing that cannot both be true. */
  readonly disagrees: boolean
  readonly latenessDeg: number
  readonly safeDeg: number
  /** Where the crank stood on its ledger when it was read. */
  readonly totalDeg: number | undefined
  readonly loopId: string | undefined
}

/** The worst of what was read of a camshaft, when it is further out than is safe. */
export function readsOut(proving: Proving, shaftId: string): ReadOut | undefined {
  const safeDeg = safeOutOf(proving.sheet, shaftId).deg
  const outs = readsOf(proving, shaftId).flatMap((reading) => {
    const other = contradicted(proving, reading)
    return [reading, other ?? []].flat().flatMap((one): ReadOut[] => {
      const lateness = latenessOfReading(proving, one)
      if (!lateness || saysOf(lateness, safeDeg) !== 'out') return []
      const { totalDeg } = one
      const { latenessDeg } = lateness
      return [{ by: 'reading', disagrees: other !== undefined, latenessDeg, safeDeg, totalDeg, loopId: undefined }]
    })
  })
  const way = readDrive(proving.sheet).holdsBy(shaftId) ?? []
  const counted = way.flatMap((link): ReadOut[] => {
    const lateness = countedLateness(proving, link)
    if (!lateness || countIsRight(lateness, safeDeg)) return []
    const isLoop = link.kind === 'loop'
    const totalDeg = (isLoop ? proving.loops : proving.couplings).get(link.id)?.countedAtDeg
    const loopId = isLoop ? link.id : undefined
    return [{ by: 'count', disagrees: false, latenessDeg: lateness.latenessDeg, safeDeg, totalDeg, loopId }]
  })
  return [...outs, ...counted].sort((a, b) => Math.abs(b.latenessDeg) - Math.abs(a.latenessDeg))[0]
}

/** A count tells the tooth: right when the wheel stands on its tooth, or out by no more than is safe, two sigma (half a tooth) allowed. */
const countIsRight = ({ teethLate, latenessDeg, toothCrankDeg }: Omit<CountedLateness, 'proves'>, safeDeg: number) =>
  teethLate === 0 || Math.abs(latenessDeg) + toothCrankDeg / 2 <= safeDeg

/** `proves`: no other tooth would count alike. */
type CountedLateness = Pick<MemberLateness, 'teethLate' | 'latenessDeg' | 'toothCrankDeg'> & {
  readonly proves: boolean
}

/** How late the wheel that a loop or a mesh leads to stands by the counts that still hold, each read by the sheet of its own job. */
function countedLateness(proving: Proving, { kind, id, memberId }: WayLink): CountedLateness | undefined {
  if (kind === 'loop') {
    const counted = latenessOfLoop(proving, id).find((one) => one.memberId === memberId)
    return counted && { ...counted, proves: true }
  }
  const count = proving.couplings.get(id)?.meshCount
  const sheet = count && proving.figures.get(count.jobId)?.sheet
  const coupling = sheet && partsOf(sheet).coupling(id)
  const read = coupling && readMeshCount(sheet, coupling, count.teeth)
  if (read?.teethLate === undefined || read.latenessDeg === undefined) return undefined
  return {
    teethLate: read.teethLate,
    latenessDeg: read.latenessDeg,
    toothCrankDeg: read.toothCrankDeg,
    proves: read.provesMesh,
  }
}

export function latenessOfLoop({ loops, seats, figures }: Proving, loopId: string): MemberLateness[] {
  const counts = loops.get(loopId)?.counts ?? []
  const byJob = new Map<string, EntryOf<'count'>[]>()
  for (const count of counts) byJob.set(count.jobId, [...(byJob.get(count.jobId) ?? []), count])
  const lateness = new Map<string, MemberLateness>()
  for (const [jobId, own] of byJob) {
    const sheet = figures.get(jobId)?.sheet
    const loop = sheet?.loops.find(({ id }) => id === loopId)
    if (!sheet || !loop) continue
    for (const one of readLoop(sheet, loop, own, undefined, alike(seats)).lateness) lateness.set(one.memberId, one)
  }
  return [...lateness.values()]
}

/** Whether a link holds as it should by itself: as it came and nothing behind it read out, or its wheel counted right since. */
function linkIsRight(proving: Proving, link: WayLink, safeDeg: number): boolean {
  const at = (link.kind === 'loop' ? proving.loops : proving.couplings).get(link.id)
  if (!at) return true
  if (at.is !== 'on') return false
  // No count of a loop sees which of its places a coupling was put together in, or which teeth of two gears meet.
  const lateness = countedLateness(proving, link)
  if (lateness && (lateness.proves || !countIsRight(lateness, safeDeg))) return countIsRight(lateness, safeDeg)
  return at.changes.length === 0 && !at.suspect
}

/** Links on a camshaft's way that do not hold as they should by themselves, as far as is known; undefined where the sheet does not tell the way. */
export function openLinks(proving: Proving, shaftId: string): string[] | undefined {
  const way = readDrive(proving.sheet).holdsBy(shaftId)
  return way
    ?.filter((link) => !linkIsRight(proving, link, safeOutOf(proving.sheet, link.toShaftId).deg))
    .map(({ id }) => id)
}

/** Camshafts whose place to the crank is known to be right: read so themselves since everything on their way was last touched; or joined to the
 *  crank, or to one that was, by links that each hold as they should. */
export function provedShafts(proving: Proving): ReadonlySet<string> {
  const map = readDrive(proving.sheet)
  const proved = new Set<string>()
  const crank = proving.sheet.shafts.find(({ kind }) => kind === 'crank')
  if (crank) proved.add(crank.id)
  const links = new Map<string, WayLink>()
  for (const { id } of proving.sheet.shafts) {
    for (const link of map.holdsBy(id) ?? []) links.set(`${link.fromShaftId} ${link.toShaftId} ${link.id}`, link)
  }
  const out = new Set(map.camshafts.filter((id) => readsOut(proving, id)))
  for (const id of map.camshafts) if (!out.has(id) && readsIn(proving, id)) proved.add(id)
  for (let again = true; again;) {
    again = false
    for (const link of links.values()) {
      const [from, to] = [proved.has(link.fromShaftId), proved.has(link.toShaftId)]
      if (from === to || out.has(link.fromShaftId) || out.has(link.toShaftId)) continue
      if (!linkIsRight(proving, link, safeOutOf(proving.sheet, link.toShaftId).deg)) continue
      proved.add(from ? link.toShaftId : link.fromShaftId)
      again = true
    }
  }
  // Without a way that the sheet tells, nothing that was touched anywhere is known to be somewhere else.
  const untouched = [...proving.loops.values(), ...proving.couplings.values()].every(
    ({ is, changes, suspect }) => is === 'on' && changes.length === 0 && !suspect,
  )
  for (const id of map.camshafts) if (!map.holdsBy(id) && !out.has(id) && untouched) proved.add(id)
  return proved
}

const readsIn = (proving: Proving, shaftId: string) =>
  readsOf(proving, shaftId).some((reading) => {
    const safeDeg = safeOutOf(proving.sheet, shaftId).deg
    const lateness = reading.proves ? latenessOfReading(proving, reading) : undefined
    const other = contradicted(proving, reading)
    const otherSays = other && latenessOfReading(proving, other)
    return (
      lateness &&
      canTell(proving.sheet, reading, lateness) &&
      saysOf(lateness, safeDeg) === 'in' &&
      (!otherSays || saysOf(otherSays, safeDeg) === 'in')
    )
  })

/** Whether a reading can be a witness of the tooth. One by a mark can while its two sigma stay under half a tooth; a clock face never. */
export function canTell(sheet: BuildSheet, { entry, shaftId }: ShaftReading, { sigmaDeg }: Lateness): boolean {
  const ofSet = entry.kind === 'camSet' && entry.off ? tellsToothBy(entry.off) : 'ifSharp'
  const tells = isCamRead(entry) ? tellsToothOf(entry) : ofSet
  if (tells !== 'ifSharp') return tells === undefined
  const toothDeg = toothOf(sheet, shaftId)
  return toothDeg !== undefined && 2 * sigmaDeg < toothDeg / 2
}

/** Whether everything that a link holds is proved, so that it is as good as it came. */
export function isLinkProved(proving: Proving, kind: 'loop' | 'coupling', id: string): boolean {
  const link: LinkStand | undefined = (kind === 'loop' ? proving.loops : proving.couplings).get(id)
  if (!link) return true
  if (link.is !== 'on') return false
  const proved = provedShafts(proving)
  return readDrive(proving.sheet)
    .behind(id)
    .every((shaftId) => proved.has(shaftId))
}

/** A camshaft seen at its mark by eye while the drive held it, the crank at a place that the ledger knows: a crank past the timing position means a
 *  late cam, and so does a camshaft short of its mark. Undefined where the crank's place is not known or far from it. */
export function latenessAtMark(proving: Proving, entry: EntryOf<'camSet'>): Lateness | undefined {
  const { shaftId, offDeg, off, markId } = entry
  const { sheet, rotation, poseSeenDeg } = proving
  // With the gear astern its mark stands elsewhere.
  if (isAstern(entry)) return undefined
  const shaft = partsOf(sheet).shaft(shaftId)
  // Of a mark that is on the sheet no more nothing is known.
  if (!shaft || (markId !== undefined && !partsOf(sheet).mark(markId))) return undefined
  const mark =
    partsOf(sheet).mark(markId) ??
    sheet.marks.find(({ memberId }) => sheet.members.some((one) => one.id === memberId && one.shaftId === shaftId))
  const { place } = crankPlace(rotation, sheet, undefined)
  const seenDeg = rotation.reference ? place.deg : undefined
  const atDeg =
    seenDeg ??
    (poseSeenDeg === undefined ? undefined : sheet.referencePose.crankDeg.value + rotation.totalDeg - poseSeenDeg)
  if (atDeg === undefined || rotation.contradicted) return undefined
  const pastDeg = wrapToSigned(atDeg - markPoseDeg(sheet, mark), sheet.cycleDeg)
  if (Math.abs(pastDeg) > 45) return undefined
  const perTurn = Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  const told = off && off.by !== 'pushrods' ? offPlace(sheet, shaft, off) : undefined
  const offSigma = typeof told === 'object' ? told.sigmaDeg : 0
  // A line that names its mark was written where people are asked how exact it is.
  const exact = mark?.exact ?? (markId === undefined ? undefined : ({ how: 'halfTooth' } as const))
  const cutSigma = exact ? cutSigmaDeg(exact, partsOf(sheet).member(mark?.memberId)?.teeth?.value) : 0
  const crankSigma = rotation.reference?.byMark?.sigmaDeg ?? 0
  return {
    latenessDeg: pastDeg + offDeg / perTurn,
    sigmaDeg: Math.hypot((2 * MARK_BY_EYE_SIGMA_DEG) / perTurn, offSigma / perTurn, cutSigma / perTurn, crankSigma),
  }
}
