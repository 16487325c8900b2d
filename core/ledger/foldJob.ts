import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { Entry, EntryOf, Phase } from '../model/entry'
import { couplingsTo, shaftsBehind } from '../drive'
import { firingDegOf, tdcOnOneTurn } from '../cylinders'
import { wrapToSigned } from '../units'
import { shaftOfRead, type CamRead } from './camWitnesses'
import { orderEntries, struckIds } from './order'
import { crankPlace, rotationStands, rotationTurned, rotationWitness, startRotation, type Rotation } from './rotation'
import { seatsOf } from './sectionCounts'
import type { CouplingState, JobState, LoopState, RegisterItem, TensionerState, UndoneAt } from './state'
import { proofOfLoop, readTiming } from './timing'
import { readZeros, zeroOfEntry, type Zeros } from './zeros'

interface Draft {
  sheetId: string
  ticked: Set<string>
  steps: Record<string, { outcome: 'done' | 'skipped'; reason: string }>
  register: RegisterItem[]
  loops: Record<string, LoopState>
  couplings: Record<string, CouplingState>
  tensioners: Record<string, TensionerState>
  zeros: Zeros
  rotation: Rotation
  lash: Record<Phase, Record<string, EntryOf<'lash'>>>
  shims: Record<string, EntryOf<'shim'>>
  targets: Record<string, EntryOf<'target'>>
  adjusted: EntryOf<'adjusted'>[]
  walks: EntryOf<'walk'>[]
  chainLengths: EntryOf<'chainLength'>[]
  camReads: CamRead[]
  counts: EntryOf<'count'>[]
  moves: EntryOf<'moved'>[]
  camSet: Record<string, EntryOf<'camSet'>>
  deviations: EntryOf<'deviation'>[]
  closed: EntryOf<'close'> | undefined
}

/** The state of a job: what is fitted, found, proven, armed and left inside. A pure fold over its entries in the order all
 *  devices agree on, struck ones left out, so it does not matter how or in what batches they arrived.
 *  `sheets` holds the versions the job may cite; the newest one taken on by an entry is used for the figures. */
export function foldJob({
  job,
  sheets,
  entries,
}: {
  job: Job
  sheets: readonly BuildSheet[]
  entries: readonly Entry[]
}): JobState {
  const ordered = orderEntries(entries)
  const struck = struckIds(ordered)
  const live = ordered.filter(({ id, kind }) => !struck.has(id) && kind !== 'strike')
  const sheetId = live.findLast((entry) => entry.kind === 'sheet')?.toSheetId ?? job.sheetId
  const sheet = sheets.find(({ id }) => id === sheetId) ?? sheets.find(({ id }) => id === job.sheetId)
  if (!sheet) throw new Error(`Broken invariant: job ${job.id} has no build sheet`)
  const zeros = readZeros(live, sheet)
  const draft = startDraft(job, sheet, sheetId, zeros)
  for (const entry of live) take(draft, entry, sheet, job)
  const { zero, readings: zeroReadings = [] } = zeros.frames.at(-1) ?? {}
  const { place, half } = crankPlace(draft.rotation, sheet, zero)
  const { rotation: _rotation, ...rest } = draft
  const seats = seatsOf(sheet, draft.adjusted)
  const timing = readTiming({ sheet, zeros, camReads: draft.camReads, counts: draft.counts, seats })
  const degreeWheel = live.findLast((entry) => entry.kind === 'degreeWheel')?.scale
  return { ...rest, seats, live, struck, degreeWheel, zero, zeroReadings, half, crank: place, timing }
}

function startDraft(job: Job, sheet: BuildSheet, sheetId: string, zeros: Zeros): Draft {
  const on = job.arrival === 'chainOn'
  const loop: LoopState = {
    on,
    turnedOffDeg: 0,
    offAt: 'unknown',
    proof: on ? 'asArrived' : 'notCounted',
    turnedTightDeg: 0,
  }
  const coupling: CouplingState = {
    together: true,
    turnedApartDeg: 0,
    apartAt: 'unknown',
    proof: 'asArrived',
    steps: 0,
    stepsTo: 0,
  }
  const splits = sheet.couplings.filter(({ kind }) => kind !== 'gearMesh')
  const tensioners = sheet.members.filter(({ kind }) => kind === 'tensioner')
  return {
    sheetId,
    ticked: new Set(),
    steps: {},
    register: [],
    loops: Object.fromEntries(sheet.loops.map(({ id }) => [id, loop])),
    couplings: Object.fromEntries(splits.map(({ id }) => [id, coupling])),
    tensioners: Object.fromEntries(tensioners.map(({ id }) => [id, on ? 'asArrived' : 'out'])),
    zeros,
    rotation: startRotation,
    lash: { found: {}, set: {}, left: {} },
    shims: {},
    targets: {},
    adjusted: [],
    walks: [],
    chainLengths: [],
    camReads: [],
    counts: [],
    moves: [],
    camSet: {},
    deviations: [],
    closed: undefined,
  }
}

function take(draft: Draft, entry: Entry, sheet: BuildSheet, job: Job): void {
  switch (entry.kind) {
    case 'tick':
      if (entry.ticked) draft.ticked.add(entry.cautionId)
      else draft.ticked.delete(entry.cautionId)
      return
    case 'step':
      draft.steps = Object.fromEntries(Object.entries(draft.steps).filter(([id]) => id !== entry.target))
      if (entry.outcome !== 'reopened') draft.steps[entry.target] = { outcome: entry.outcome, reason: entry.reason }
      return
    case 'item':
      return takeItem(draft, entry)
    case 'loop':
    case 'tensioner':
    case 'moved':
    case 'count':
      return takeDrive(draft, entry, sheet)
    case 'coupling':
      return takeCoupling(draft, entry, sheet)
    case 'stands':
    case 'turned':
    case 'witness':
      return takeRotation(draft, entry, sheet, job)
    case 'camMark':
    case 'valveEvents':
    case 'lobeCentre':
    case 'tdcLift':
    case 'rocking':
    case 'camGauge':
    case 'lobeClock':
      draft.camReads.push(entry)
      return noteShaftRead(draft, sheet, shaftOfRead(sheet, entry))
    case 'lash':
      draft.lash[entry.phase][entry.camId] = entry
      return
    case 'shim':
      draft.shims[entry.camId] = entry
      return
    case 'target':
      draft.targets[entry.shaftId] = entry
      return
    case 'adjusted':
      return takeAdjusted(draft, entry, sheet)
    case 'walk':
      draft.walks.push(entry)
      return
    case 'chainLength':
      draft.chainLengths.push(entry)
      return
    case 'camSet':
      draft.camSet[entry.shaftId] = entry
      return noteShaftRead(draft, sheet, entry.shaftId)
    case 'deviation':
      draft.deviations.push(entry)
      return
    case 'close':
      draft.closed = entry
      return
    // What is read of the zero is taken up by readZeros, all of it at once.
    case 'degreeWheel':
    case 'dial':
    case 'stopContacts':
    case 'dialPair':
    case 'dwell':
    case 'factoryMark':
    case 'wheelKnocked':
    case 'contactAgain':
    case 'leaning':
    case 'note':
    case 'picture':
    case 'sheet':
    case 'strike':
      return
  }
}

function takeItem(draft: Draft, { itemId, item, where, change, at, id }: EntryOf<'item'>): void {
  draft.register = draft.register.filter((one) => one.itemId !== itemId)
  if (change === 'in') draft.register.push({ itemId, item, where, since: at, entryId: id })
}

function takeRotation(
  draft: Draft,
  entry: EntryOf<'stands'> | EntryOf<'turned'> | EntryOf<'witness'>,
  sheet: BuildSheet,
  job: Job,
): void {
  const { cycleDeg } = sheet
  if (entry.kind === 'turned') {
    const before = draft.rotation.totalDeg
    draft.rotation = rotationTurned(draft.rotation, entry, zeroOfEntry(draft.zeros, entry.id)?.zero, cycleDeg)
    noteTurnOnLoops(draft, draft.rotation.totalDeg - before)
    noteTurnOnCouplings(draft, draft.rotation.totalDeg - before)
    return
  }
  if (entry.kind === 'witness') {
    const firing = firingDegOf(sheet, entry.cylinderId)
    if (firing === undefined || entry.says === 'undecided') return
    const placeDeg = firing + (entry.says === 'firing' ? 0 : 360)
    draft.rotation = rotationWitness(draft.rotation, {
      entryId: entry.id,
      evidence: entry.evidence,
      placeDeg,
      cycleDeg,
    })
    return
  }
  const allOff = sheet.loops.length > 0 && sheet.loops.every(({ id }) => draft.loops[id]?.on === false)
  const chosen = entry.place === 'pose' && job.arrival === 'chainOff' && allOff
  // Standing at TDC is sharp on one turn; which turn is for the witnesses to say.
  const placeDeg = entry.place === 'pose' ? sheet.referencePose.crankDeg.value : tdcOnOneTurn(sheet, entry.cylinderId)
  if (placeDeg === undefined) return
  draft.rotation = rotationStands(draft.rotation, placeDeg, chosen, cycleDeg)
  if (entry.place !== 'pose') return
  for (const [id, loop] of Object.entries(draft.loops)) {
    if (!loop.on) draft.loops[id] = { ...loop, offAt: 'pose', turnedOffDeg: 0 }
  }
  for (const [id, coupling] of Object.entries(draft.couplings)) {
    if (!coupling.together) draft.couplings[id] = { ...coupling, apartAt: 'pose', turnedApartDeg: 0 }
  }
}

function noteTurnOnLoops(draft: Draft, deg: number): void {
  for (const [id, loop] of Object.entries(draft.loops)) {
    const tight = loop.on && allTight(draft)
    draft.loops[id] = loop.on
      ? { ...loop, turnedTightDeg: tight ? Math.max(0, loop.turnedTightDeg + deg) : 0 }
      : { ...loop, turnedOffDeg: loop.turnedOffDeg + deg }
  }
}

const allTight = ({ tensioners, couplings }: Draft) =>
  Object.values(tensioners).every(isReleased) && Object.values(couplings).every(({ together }) => together)

function noteTurnOnCouplings(draft: Draft, deg: number): void {
  for (const [id, coupling] of Object.entries(draft.couplings)) {
    if (!coupling.together) draft.couplings[id] = { ...coupling, turnedApartDeg: coupling.turnedApartDeg + deg }
  }
}

/** A coupling drawn apart lets every shaft behind it loose; what was read of them since the strip is stale, and so is the proof. */
function takeCoupling(
  draft: Draft,
  { couplingId, change, steps, stepsTo = 0 }: EntryOf<'coupling'>,
  sheet: BuildSheet,
) {
  const coupling = draft.couplings[couplingId]
  if (!coupling) return
  const behind = new Set(shaftsBehind(sheet, couplingId))
  draft.camReads = draft.camReads.filter(
    (read) => read.phase === 'found' || !behind.has(shaftOfRead(sheet, read) ?? ''),
  )
  draft.camSet = Object.fromEntries(Object.entries(draft.camSet).filter(([shaftId]) => !behind.has(shaftId)))
  resetTight(draft)
  draft.couplings[couplingId] =
    change === 'apart'
      ? { ...coupling, together: false, turnedApartDeg: 0, apartAt: undoneAt(draft, sheet) }
      : {
          ...coupling,
          together: true,
          proof: 'notRead',
          steps: coupling.steps + steps,
          stepsTo: coupling.stepsTo + stepsTo,
        }
}

/** A wheel set otherwise on its shaft makes what was read and counted since the strip stale: its loops want counting by other figures. */
function takeAdjusted(draft: Draft, entry: EntryOf<'adjusted'>, sheet: BuildSheet): void {
  draft.adjusted.push(entry)
  draft.camReads = draft.camReads.filter(({ phase }) => phase === 'found')
  draft.counts = draft.counts.filter(({ phase }) => phase === 'found')
  const memberId = sheet.adjusters.find(({ id }) => id === entry.adjusterId)?.memberId
  for (const { id, path } of sheet.loops) {
    const loop = draft.loops[id]
    if (loop?.on && path.some((part) => part.memberId === memberId)) draft.loops[id] = { ...loop, proof: 'notCounted' }
  }
  resetTight(draft)
}

function noteShaftRead(draft: Draft, sheet: BuildSheet, shaftId: string | undefined): void {
  if (shaftId === undefined) return
  for (const { id } of couplingsTo(sheet, shaftId)) {
    const coupling = draft.couplings[id]
    if (coupling?.together && coupling.proof === 'notRead') draft.couplings[id] = { ...coupling, proof: 'read' }
  }
}

export const isReleased = (state: TensionerState) => state === 'asArrived' || state === 'released' || state === 'proven'

function takeDrive(
  draft: Draft,
  entry: EntryOf<'loop'> | EntryOf<'tensioner'> | EntryOf<'moved'> | EntryOf<'count'>,
  sheet: BuildSheet,
): void {
  if (entry.kind === 'tensioner') {
    draft.tensioners[entry.memberId] = entry.state
    if (!isReleased(entry.state)) resetTight(draft)
    return
  }
  const loop = draft.loops[entry.loopId]
  if (!loop) return
  if (entry.kind !== 'count') forgetLaterReadings(draft, sheet, entry)
  if (entry.kind === 'loop') {
    draft.loops[entry.loopId] =
      entry.change === 'on'
        ? { ...loop, on: true, proof: 'notCounted', turnedTightDeg: 0 }
        : { ...loop, on: false, turnedOffDeg: 0, offAt: undoneAt(draft, sheet), turnedTightDeg: 0 }
  } else if (entry.kind === 'moved') {
    draft.moves.push(entry)
    draft.loops[entry.loopId] = { ...loop, proof: 'notCounted', turnedTightDeg: 0 }
  } else {
    draft.counts.push(entry)
    const lies = sheet.loops.find(({ id }) => id === entry.loopId)
    const proof =
      !lies || entry.phase === 'found'
        ? loop.proof
        : proofOfLoop(sheet, lies, draft.counts, seatsOf(sheet, draft.adjusted))
    draft.loops[entry.loopId] = { ...loop, proof }
  }
}

/** A loop that was moved makes every reading of the cams since the strip stale, and the counts that end on the wheel it was moved
 *  over; one that came off or went on makes all of its counts stale. What was read as found stays true. */
function forgetLaterReadings(draft: Draft, sheet: BuildSheet, moved: EntryOf<'loop'> | EntryOf<'moved'>): void {
  const onWheel = (markId: string) =>
    moved.kind === 'loop' || sheet.marks.some(({ id, memberId }) => id === markId && memberId === moved.memberId)
  const stale = ({ loopId, phase, fromMarkId, toMarkId }: EntryOf<'count'>) =>
    phase !== 'found' && loopId === moved.loopId && (onWheel(fromMarkId) || onWheel(toMarkId))
  draft.counts = draft.counts.filter((count) => !stale(count))
  draft.camReads = draft.camReads.filter(({ phase }) => phase === 'found')
}

function resetTight(draft: Draft): void {
  for (const [id, loop] of Object.entries(draft.loops)) draft.loops[id] = { ...loop, turnedTightDeg: 0 }
}

/** Undone at the pose when the ledger has the crank within a few degrees of it, on the wheel's one turn. */
function undoneAt(draft: Draft, sheet: BuildSheet): UndoneAt {
  const { place } = crankPlace(draft.rotation, sheet, draft.zeros.frames.at(-1)?.zero)
  if (place.deg === undefined) return 'unknown'
  const away = wrapToSigned(place.deg - sheet.referencePose.crankDeg.value, 360)
  return Math.abs(away) <= (sheet.trimDeg?.value ?? 4) ? 'pose' : 'elsewhere'
}
