import { firingDegOf, tdcOnOneTurn } from '../../cylinders'
import type { EntryOf } from '../../model/entry'
import { wrapToSigned } from '../../units'
import { crankPlace, rotationStands, rotationTurned, rotationWitness } from '../rotation'
import { zeroOfEntry } from '../zeros'
import { isDisputed, noteSaid, settle, type StandDraft } from './draft'
import { trimOf } from './figures'
import type { Apart, LinkStand, RegisterItem } from './stand'
import { isReleased } from './tensionerStates'

/** With everything on, a claim further than this from the ledger's place contradicts it. */
const CLAIM_CONTRADICTS_DEG = 45

/** Turned on two devices that did not know of each other: nobody can tell whether that was one turn or two. */
const crankDisagrees = (a: string, b: string) =>
  a === 'turned' || b === 'turned' || (a !== b && a !== 'witness' && b !== 'witness')

export function takeTurned(draft: StandDraft, entry: EntryOf<'turned'>): void {
  noteCrank(draft, entry, 'turned')
  const before = draft.rotation.totalDeg
  const zeros = draft.figures.get(entry.jobId)?.zeros
  const zero = zeros && zeroOfEntry(zeros, entry.id)?.zero
  draft.rotation = rotationTurned(draft.rotation, entry, zero, draft.sheet.cycleDeg)
  const deg = draft.rotation.totalDeg - before
  noteTight(draft, deg)
  // Undone by a hand that did not know of this turn: before it or after, nobody knows.
  setApart(draft, ({ apart, changes }) =>
    apart && changes.some((change) => !draft.knew(entry, change)) ? nowhere : apart,
  )
}

const nowhere: Apart = { at: 'unknown', totalDeg: undefined }

/** Puts otherwise where links came undone. */
export function setApart(draft: StandDraft, apartOf: (link: LinkStand, id: string) => Apart | undefined): void {
  for (const links of [draft.loops, draft.couplings])
    for (const [id, link] of links) {
      const apart = apartOf(link, id)
      if (apart !== link.apart) links.set(id, { ...link, apart })
    }
}

function noteTight(draft: StandDraft, deg: number): void {
  const released = [...draft.tensioners.values()].every(({ is }) => isReleased(is))
  const allOn = [...draft.loops.values()].every(({ is }) => is === 'on')
  const together = [...draft.couplings.values()].every(({ is }) => is === 'on')
  draft.turnedTightDeg = released && allOn && together ? Math.max(0, draft.turnedTightDeg + deg) : 0
  for (const [id, loop] of draft.loops) {
    const tight = released && together && loop.is === 'on'
    draft.loops.set(id, { ...loop, turnedTightDeg: tight ? Math.max(0, loop.turnedTightDeg + deg) : 0 })
  }
}

type CrankEntry = EntryOf<'turned'> | EntryOf<'stands'> | EntryOf<'witness'>

function noteCrank(draft: StandDraft, entry: CrankEntry, value: string): void {
  noteSaid(draft, 'crank', 'crank', { entry, value }, crankDisagrees)
  // Somebody who knew of everything that was written says where it stands: that settles it.
  if (entry.kind === 'stands') settle(draft, 'crank', 'crank', entry)
  if (!isDisputed(draft, 'crank', 'crank')) return
  draft.poseSeenDeg = undefined
  setApart(draft, ({ apart }) => apart && nowhere)
  setItems(draft, (item) => ({ ...item, totalDeg: undefined }))
  for (const [id, tensioner] of draft.tensioners) draft.tensioners.set(id, { ...tensioner, totalDeg: undefined })
}

function setItems(draft: StandDraft, change: (item: RegisterItem) => RegisterItem): void {
  draft.register = draft.register.map(change)
  for (const [id, item] of draft.items) draft.items.set(id, change(item))
}

export function takeWitness(draft: StandDraft, entry: EntryOf<'witness'>): void {
  noteCrank(draft, entry, 'witness')
  const firing = firingDegOf(draft.sheet, entry.cylinderId)
  if (firing === undefined || entry.says === 'undecided') return
  const { cycleDeg } = draft.sheet
  const placeDeg = firing + (entry.says === 'firing' ? 0 : 360)
  draft.rotation = rotationWitness(draft.rotation, { evidence: entry.evidence, placeDeg, cycleDeg })
}

/** Somebody says where the crank stands. A claim that the turns written do not lead to is not taken up: the place is then not known until it is
 *  settled, struck, or the turn is written. */
export function takeStands(draft: StandDraft, entry: EntryOf<'stands'>, arrivedOff: boolean): void {
  const { sheet } = draft
  const placeDeg = entry.place === 'pose' ? sheet.referencePose.crankDeg.value : tdcOnOneTurn(sheet, entry.cylinderId)
  if (placeDeg === undefined) return
  noteCrank(draft, entry, `${entry.place} ${entry.cylinderId}`)
  if (isDisputed(draft, 'crank', 'crank')) return
  if (claimContradicts(draft, entry.place, placeDeg)) {
    draft.rotation = { ...draft.rotation, contradicted: { entryId: entry.id, placeDeg, pose: entry.place === 'pose' } }
    draft.poseSeenDeg = undefined
    return
  }
  stand(draft, { placeDeg, pose: entry.place === 'pose', arrivedOff })
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
  }: Pick<StandDraft, 'rotation' | 'sheet' | 'figures' | 'jobId'> & {
    readonly loops: ReadonlyMap<string, { readonly apart: Apart | undefined }>
    readonly couplings: ReadonlyMap<string, { readonly apart: Apart | undefined }>
  },
  place: 'tdc' | 'pose',
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

function stand(
  draft: StandDraft,
  { placeDeg, pose, arrivedOff }: { placeDeg: number; pose: boolean; arrivedOff: boolean },
): void {
  const { sheet } = draft
  const allOff = sheet.loops.length > 0 && sheet.loops.every(({ id }) => draft.loops.get(id)?.is === 'off')
  const chosen = pose && arrivedOff && allOff
  draft.rotation = rotationStands(draft.rotation, placeDeg, chosen, sheet.cycleDeg)
  const { totalDeg } = draft.rotation
  if (pose) draft.poseSeenDeg = totalDeg
  setItems(draft, (item) => (item.totalDeg === undefined ? { ...item, totalDeg } : item))
  for (const [id, tensioner] of draft.tensioners)
    if (tensioner.totalDeg === undefined) draft.tensioners.set(id, { ...tensioner, totalDeg })
}

/** The claim that contradicted the ledger is what was seen on the engine: the turns written are wrong. What came undone did so nobody knows where. */
export function settleCrank(draft: StandDraft, entry: EntryOf<'settled'>): void {
  const { contradicted } = draft.rotation
  if (!contradicted || contradicted.entryId !== entry.part.id) return
  draft.rotation = { ...draft.rotation, contradicted: undefined }
  setApart(draft, ({ apart }) => apart && { at: 'ended', totalDeg: undefined })
  stand(draft, { placeDeg: contradicted.placeDeg, pose: contradicted.pose, arrivedOff: false })
}
