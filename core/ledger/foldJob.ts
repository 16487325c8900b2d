import { firingDegOf, tdcOnOneTurn } from '../cylinders'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { Entry, EntryOf } from '../model/entry'
import { shaftOfRead } from './camWitnesses'
import { startDraft, type Draft } from './draft'
import { orderEntries, struckIds } from './order'
import { crankPlace, rotationStands, rotationTurned, rotationWitness } from './rotation'
import type { JobState } from './state'
import {
  noteShaftRead,
  noteTurnOnCouplings,
  noteTurnOnLoops,
  resetTight,
  takeAdjusted,
  takeCoupling,
  takeDrive,
} from './takeDrive'
import { readTiming } from './timing'
import { readZeros, zeroOfEntry } from './zeros'

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
  const timing = readTiming({ sheet, zeros, camReads: draft.camReads, counts: draft.counts, seats: draft.seats })
  const degreeWheel = live.findLast((entry) => entry.kind === 'degreeWheel')?.scale
  return { ...rest, live, struck, degreeWheel, zero, zeroReadings, half, crank: place, timing }
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
    case 'topLift':
      draft.topLifts[entry.phase][entry.camId] = entry
      return
    case 'headHeight':
      draft.headHeights[entry.bankId ?? ''] = entry
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
      resetTight(draft)
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
