import { crankMarkOf } from '../../byMark'
import { firingDegOf, tdcOnOneTurn } from '../../cylinders'
import { placeOfShaft, timingPlaces } from '../../drive'
import type { BuildSheet } from '../../model/buildSheet'
import type { EntryOf } from '../../model/entry'
import type { CrankPlace } from '../state'
import { wrapToSigned } from '../../units'
import { crankPlace, rotationStands, rotationTurned, rotationWitness } from '../rotation'
import { zeroOfEntry } from '../zeros'
import { isDisputed, noteSaid, settle, type StandSoFar } from './standSoFar'
import { trimOf } from './figures'
import type { Apart, LinkStand, RegisterItem } from './stand'
import { registerItems } from '../registerItems'
import { isReleased } from './tensionerStates'

/** With everything on, a claim further than this from the ledger's place contradicts it. */
const CLAIM_CONTRADICTS_DEG = 45

/** Turned on two devices that did not know of each other: nobody can tell whether that was one turn or two. */
const crankDisagrees = (a: string, b: string) =>
  a === 'turned' || b === 'turned' || (a !== b && a !== 'witness' && b !== 'witness')

export function takeTurned(soFar: StandSoFar, entry: EntryOf<'turned'>): void {
  noteCrank(soFar, entry, 'turned')
  const before = soFar.rotation.totalDeg
  const zeros = soFar.figures.get(entry.jobId)?.zeros
  const zero = zeros && zeroOfEntry(zeros, entry.id)?.zero
  soFar.rotation = rotationTurned(soFar.rotation, entry, zero, soFar.sheet.cycleDeg)
  const deg = soFar.rotation.totalDeg - before
  noteTight(soFar, deg)
  // Undone by a hand that did not know of this turn: before it or after, nobody knows.
  setApart(soFar, ({ apart, changes }) =>
    apart && changes.some((change) => !soFar.knew(entry, change)) ? nowhere : apart,
  )
}

const nowhere: Apart = { at: 'unknown', totalDeg: undefined }

/** Puts otherwise where links came undone. */
export function setApart(soFar: StandSoFar, apartOf: (link: LinkStand, id: string) => Apart | undefined): void {
  for (const links of [soFar.loops, soFar.couplings])
    for (const [id, link] of links) {
      const apart = apartOf(link, id)
      if (apart !== link.apart) links.set(id, { ...link, apart })
    }
}

function noteTight(soFar: StandSoFar, deg: number): void {
  const released = [...soFar.tensioners.values()].every(({ is }) => isReleased(is))
  const allOn = [...soFar.loops.values()].every(({ is }) => is === 'on')
  const together =
    [...soFar.couplings.values()].every(({ is }) => is === 'on') &&
    !soFar.register.some(({ item }) => registerItems[item].loose)
  soFar.turnedTightDeg = released && allOn && together ? Math.max(0, soFar.turnedTightDeg + deg) : 0
  for (const [id, loop] of soFar.loops) {
    const tight = released && together && loop.is === 'on'
    soFar.loops.set(id, { ...loop, turnedTightDeg: tight ? Math.max(0, loop.turnedTightDeg + deg) : 0 })
  }
}

type CrankEntry = EntryOf<'turned'> | EntryOf<'stands'> | EntryOf<'witness'>

function noteCrank(soFar: StandSoFar, entry: CrankEntry, value: string): void {
  noteSaid(soFar, 'crank', 'crank', { entry, value }, crankDisagrees)
  // Somebody who knew of everything that was written says where it stands: that settles it.
  if (entry.kind === 'stands') settle(soFar, 'crank', 'crank', entry)
  if (!isDisputed(soFar, 'crank', 'crank')) return
  soFar.poseSeenDeg = undefined
  soFar.placeSeen = undefined
  setApart(soFar, ({ apart }) => apart && nowhere)
  setItems(soFar, (item) => ({ ...item, totalDeg: undefined }))
  for (const [id, tensioner] of soFar.tensioners)
    soFar.tensioners.set(id, { ...tensioner, totalDeg: undefined, saidDeg: undefined })
}

function setItems(soFar: StandSoFar, change: (item: RegisterItem) => RegisterItem): void {
  soFar.register = soFar.register.map(change)
  for (const [id, item] of soFar.items) soFar.items.set(id, change(item))
}

export function takeWitness(soFar: StandSoFar, entry: EntryOf<'witness'>): void {
  noteCrank(soFar, entry, 'witness')
  const firing = firingDegOf(soFar.sheet, entry.cylinderId)
  if (firing === undefined || entry.says === 'undecided') return
  const { cycleDeg } = soFar.sheet
  const placeDeg = firing + (entry.says === 'firing' ? 0 : 360)
  soFar.rotation = rotationWitness(soFar.rotation, { evidence: entry.evidence, placeDeg, cycleDeg })
}

/** Where somebody says that the crank stands, and whether that is the timing position; undefined where the sheet does not tell: a cylinder whose TDC is not
 *  known, a mark that is on it no more. A mark that meets in the timing position is the timing position, unless the crank is known to be on the other turn. */
export function placeOfClaim(
  sheet: BuildSheet,
  { place, cylinderId, shaftId, markId, offDeg = 0 }: ClaimSaid,
  atDeg: number | undefined,
): PlaceClaim | undefined {
  const [poseDeg, ...others] = timingPlaces(sheet)
  if (place === 'pose' && shaftId === undefined) return { placeDeg: sheet.referencePose.crankDeg.value, pose: true }
  if (place === 'tdc') {
    const placeDeg = tdcOnOneTurn(sheet, cylinderId)
    return placeDeg === undefined ? undefined : { placeDeg, pose: false }
  }
  const mark = crankMarkOf(sheet, markId)
  const placeDeg = place === 'pose' ? placeOfShaft(sheet, shaftId ?? '') : mark && mark.placeDeg + offDeg
  if (placeDeg === undefined) return undefined
  // By a mark it is on one turn; which, the ledger may know.
  const isAt = (at: number | undefined) => {
    if (at === undefined) return false
    const onTurn = Math.abs(wrapToSigned(placeDeg - at, place === 'pose' ? sheet.cycleDeg : 360)) <= trimOf(sheet)
    return onTurn && (atDeg === undefined || Math.abs(wrapToSigned(atDeg - at, sheet.cycleDeg)) <= 180)
  }
  return {
    placeDeg,
    pose: isAt(poseDeg),
    ownPlaceDeg: others.find(isAt),
    ...(mark && place === 'mark' ? { byMark: { markId: mark.id, sigmaDeg: mark.sigmaDeg } } : {}),
  }
}

type ClaimSaid = Pick<EntryOf<'stands'>, 'place' | 'cylinderId' | 'shaftId' | 'markId' | 'offDeg'>

/** Where somebody says that the crank stands. */
export interface PlaceClaim {
  readonly placeDeg: number
  /** It is the timing position. */
  readonly pose: boolean
  /** It is a place of their own of some camshafts. */
  readonly ownPlaceDeg?: number | undefined
  readonly byMark?: CrankPlace['byMark']
}

/** Somebody says where the crank stands. A claim that the turns written do not lead to is not taken up: the place is then not known until it is
 *  settled, struck, or the turn is written. */
export function takeStands(soFar: StandSoFar, entry: EntryOf<'stands'>, arrivedOff: boolean): void {
  const { sheet } = soFar
  // A claim before it may be in doubt: what the turns lead to still says on which turn it is.
  const byTurns = { ...soFar, rotation: { ...soFar.rotation, contradicted: undefined } }
  const claim = placeOfClaim(sheet, entry, placeNow(byTurns))
  if (!claim) return
  const { placeDeg } = claim
  noteCrank(soFar, entry, `${entry.place} ${entry.markId ?? entry.shaftId ?? entry.cylinderId}`)
  if (isDisputed(soFar, 'crank', 'crank')) return
  if (claimContradicts(soFar, entry.place, placeDeg)) {
    soFar.rotation = { ...soFar.rotation, contradicted: { entryId: entry.id, ...claim } }
    soFar.poseSeenDeg = undefined
    soFar.placeSeen = undefined
    return
  }
  stand(soFar, { ...claim, arrivedOff })
}

/** What `takeStands` would do with a claim, for asking before it is written. */
export function claimContradicts(
  {
    rotation,
    sheet,
    loops,
    couplings,
    figures,
    jobId,
  }: Pick<StandSoFar, 'rotation' | 'sheet' | 'figures' | 'jobId'> & {
    readonly loops: ReadonlyMap<string, { readonly apart: Apart | undefined }>
    readonly couplings: ReadonlyMap<string, { readonly apart: Apart | undefined }>
  },
  place: EntryOf<'stands'>['place'],
  placeDeg: number,
): boolean {
  if (rotation.contradicted) return true
  const zero = figures.get(jobId)?.zeros.frames.at(-1)?.zero
  const { place: at } = crankPlace(rotation, sheet, zero)
  const onOneTurn = rotation.reference ? rotation.reference.originDeg + rotation.totalDeg : undefined
  const undone = [...loops.values(), ...couplings.values()].some(({ apart }) => apart !== undefined)
  const mostDeg = undone ? trimOf(sheet) : CLAIM_CONTRADICTS_DEG
  if (place === 'pose' && at.deg !== undefined)
    return Math.abs(wrapToSigned(placeDeg - at.deg, sheet.cycleDeg)) > mostDeg
  // Looked at in this job: a place that was only carried over gives way to what is seen.
  if (onOneTurn === undefined || rotation.wheelDisagreesDeg !== undefined) return false
  return Math.abs(wrapToSigned(placeDeg - onOneTurn, 360)) > mostDeg
}

/** Where the crank is on the cycle by the ledger. */
export function placeNow({
  rotation,
  sheet,
  figures,
  jobId,
}: Pick<StandSoFar, 'rotation' | 'sheet' | 'figures' | 'jobId'>): number | undefined {
  const zero = figures.get(jobId)?.zeros.frames.at(-1)?.zero
  return crankPlace(rotation, sheet, zero).place.deg
}

function stand(
  soFar: StandSoFar,
  { placeDeg, pose, ownPlaceDeg, arrivedOff, byMark }: PlaceClaim & { readonly arrivedOff: boolean },
): void {
  const { sheet } = soFar
  const allOff = sheet.loops.length > 0 && sheet.loops.every(({ id }) => soFar.loops.get(id)?.is === 'off')
  const chosen = pose && arrivedOff && allOff
  soFar.rotation = rotationStands(soFar.rotation, placeDeg, chosen, sheet.cycleDeg, byMark)
  const { totalDeg } = soFar.rotation
  if (pose) soFar.poseSeenDeg = totalDeg
  if (ownPlaceDeg !== undefined) soFar.placeSeen = { placeDeg: ownPlaceDeg, totalDeg }
  setItems(soFar, (item) => (item.totalDeg === undefined ? { ...item, totalDeg } : item))
  for (const [id, tensioner] of soFar.tensioners)
    if (tensioner.totalDeg === undefined) soFar.tensioners.set(id, { ...tensioner, totalDeg })
}

/** The claim that contradicted the ledger is what was seen on the engine: the turns written are wrong. What came undone did so nobody knows where. */
export function settleCrank(soFar: StandSoFar, entry: EntryOf<'settled'>): void {
  const { contradicted } = soFar.rotation
  if (!contradicted || contradicted.entryId !== entry.part.id) return
  soFar.rotation = { ...soFar.rotation, contradicted: undefined }
  setApart(soFar, ({ apart }) => apart && { at: 'ended', totalDeg: undefined })
  stand(soFar, { ...contradicted, arrivedOff: false })
}
