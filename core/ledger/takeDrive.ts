import { couplingsTo, shaftsBehind } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { wrapToSigned } from '../units'
import { shaftOfRead } from './camWitnesses'
import type { Draft } from './draft'
import { crankPlace } from './rotation'
import { seatsAfter } from './sectionCounts'
import type { TensionerState, UndoneAt } from './state'
import { proofOfLoop } from './timing'

/* What entries about loops, tensioners, couplings and adjusters do to the state of a job. */

export function noteTurnOnLoops(draft: Draft, deg: number): void {
  const whole = allTight(draft) && Object.values(draft.loops).every(({ on }) => on)
  draft.turnedTightDeg = whole ? Math.max(0, draft.turnedTightDeg + deg) : 0
  for (const [id, loop] of Object.entries(draft.loops)) {
    const tight = loop.on && allTight(draft)
    draft.loops[id] = loop.on
      ? { ...loop, turnedTightDeg: tight ? Math.max(0, loop.turnedTightDeg + deg) : 0 }
      : { ...loop, turnedOffDeg: loop.turnedOffDeg + deg }
  }
}

const allTight = ({ tensioners, couplings }: Draft) =>
  Object.values(tensioners).every(isReleased) && Object.values(couplings).every(({ together }) => together)

export function noteTurnOnCouplings(draft: Draft, deg: number): void {
  for (const [id, coupling] of Object.entries(draft.couplings)) {
    if (!coupling.together) draft.couplings[id] = { ...coupling, turnedApartDeg: coupling.turnedApartDeg + deg }
  }
}

/** A coupling drawn apart lets every shaft behind it loose; what was read of them since the strip is stale, and so is the proof. */
export function takeCoupling(
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
export function takeAdjusted(draft: Draft, entry: EntryOf<'adjusted'>, sheet: BuildSheet): void {
  draft.adjusted.push(entry)
  draft.seats = seatsAfter(sheet, draft.seats, [entry])
  draft.camReads = draft.camReads.filter(({ phase }) => phase === 'found')
  draft.counts = draft.counts.filter(({ phase }) => phase === 'found')
  const memberId = sheet.adjusters.find(({ id }) => id === entry.adjusterId)?.memberId
  for (const { id, path } of sheet.loops) {
    const loop = draft.loops[id]
    if (loop?.on && path.some((part) => part.memberId === memberId)) draft.loops[id] = { ...loop, proof: 'notCounted' }
  }
  resetTight(draft)
}

export function noteShaftRead(draft: Draft, sheet: BuildSheet, shaftId: string | undefined): void {
  if (shaftId === undefined) return
  for (const { id } of couplingsTo(sheet, shaftId)) {
    const coupling = draft.couplings[id]
    if (coupling?.together && coupling.proof === 'notRead') draft.couplings[id] = { ...coupling, proof: 'read' }
  }
}

export const isReleased = (state: TensionerState) => state === 'asArrived' || state === 'released' || state === 'proven'

export function takeDrive(
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
  if (entry.kind !== 'count') {
    forgetLaterReadings(draft, sheet, entry)
    draft.turnedTightDeg = 0
  }
  if (entry.kind === 'loop') {
    draft.loops[entry.loopId] =
      entry.change === 'on'
        ? { ...loop, on: true, proof: 'notCounted', turnedTightDeg: 0 }
        : { ...loop, on: false, turnedOffDeg: 0, offAt: undoneAt(draft, sheet), turnedTightDeg: 0 }
  } else if (entry.kind === 'moved') {
    draft.moves.push(entry)
    draft.seats = { ...draft.seats, ...entry.seats }
    draft.loops[entry.loopId] = { ...loop, proof: 'notCounted', turnedTightDeg: 0 }
  } else {
    draft.counts.push(entry)
    const lies = sheet.loops.find(({ id }) => id === entry.loopId)
    const proof = !lies || entry.phase === 'found' ? loop.proof : proofOfLoop(sheet, lies, draft.counts, draft.seats)
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

export function resetTight(draft: Draft): void {
  draft.turnedTightDeg = 0
  for (const [id, loop] of Object.entries(draft.loops)) draft.loops[id] = { ...loop, turnedTightDeg: 0 }
}

/** Undone at the pose when the ledger has the crank within a few degrees of it, on the wheel's one turn. */
function undoneAt(draft: Draft, sheet: BuildSheet): UndoneAt {
  const { place } = crankPlace(draft.rotation, sheet, draft.zeros.frames.at(-1)?.zero)
  if (place.deg === undefined) return 'unknown'
  const away = wrapToSigned(place.deg - sheet.referencePose.crankDeg.value, 360)
  return Math.abs(away) <= (sheet.trimDeg?.value ?? 4) ? 'pose' : 'elsewhere'
}
