import { toothWorth, readDrive } from '../drive'
import { readLoop, type JobState } from '../ledger'
import type { BuildSheet, Loop, Member, Phase } from '../model'
import { partsOf } from '../sheet'
import { camshaftsBehind, loopsTo } from './camshaftsBehind'
import { adjusterKinds, stepsOf } from './adjusterKinds'
import { TOOTH_ABOVE_EFFORT, type DriveMove } from './driveMoves'

/** Teeth each way over a wheel where every camshaft behind it has a tooth of its own as well: whoever is further out hangs the loop again. */
const MOST_ABOVE = 3

/** Every wheel over which a loop can be laid by teeth: one that it drives, which moves what is behind that; the one that drives it, which moves
 *  all. Where a camshaft has another loop behind this one, a tooth here is worth another angle than there and could be laid against
 *  it: then only with all of those loops counted, so that it is known what is to be counted afterwards. */
export const toothMoves = (sheet: BuildSheet, state: JobState, phase: Phase): DriveMove[] =>
  sheet.loops.flatMap((loop) => {
    const driver = readDrive(sheet).driverOf(loop)
    const behind = camshaftsBehind(sheet, ({ by }) => by.id === loop.id)
    if (!driver || behind.length === 0) return []
    const endsHere = (ids: readonly string[]) => ids.every((id) => loopsTo(sheet, id).at(-1) === loop.id)
    const driven = loop.path.flatMap(({ memberId }) => {
      const camIds = camshaftsBehind(sheet, ({ by, teeth }) => by.id === loop.id && teeth?.driven.id === memberId)
      return camIds.length === 0 ? [] : [{ memberId, camIds, last: endsHere(camIds) }]
    })
    const counted = behind.every((id) => loopsTo(sheet, id).every((one) => loopIsCounted(sheet, state, phase, one)))
    const above = [
      ...driven.filter(({ last, camIds }) => !last && camIds.length < behind.length),
      ...(driven.length > 1 || driven.some(({ last }) => !last) ? [{ memberId: driver.id, camIds: behind }] : []),
    ].filter(({ camIds }) => endsHere(camIds) || counted)
    return [
      ...driven
        .filter(({ last }) => last)
        .map((one) => ({ ...one, effort: adjusterKinds.chainTooth.effort, most: Infinity })),
      ...above.map((one) => ({ ...one, effort: TOOTH_ABOVE_EFFORT, most: MOST_ABOVE })),
    ].flatMap(({ memberId, camIds, effort, most }): DriveMove[] => {
      const places = placesOf(sheet, memberId)
      if (places === undefined) return []
      const by = { kind: 'steps', places, mostSteps: Math.min(most, Math.floor(places / 2)) } as const
      const of = { part: 'tooth', loopId: loop.id, memberId } as const
      return [{ mover: { id: `tooth ${loop.id} ${memberId}`, of, effort, by }, camIds }]
    })
  })

/** Teeth of a wheel to the cycle, whole where they are. */
function placesOf(sheet: BuildSheet, memberId: string): number | undefined {
  const member: Member | undefined = partsOf(sheet).member(memberId)
  const shaft = partsOf(sheet).shaft(member?.shaftId)
  if (!member?.teeth || !shaft) return undefined
  return stepsOf(toothWorth(member.teeth.value, readDrive(sheet).ratioOf(shaft)).crankDeg, sheet.cycleDeg).places
}

function loopIsCounted(sheet: BuildSheet, state: JobState, phase: Phase, loopId: string): boolean {
  const loop = partsOf(sheet).loop(loopId)
  return loop !== undefined && readLoop(sheet, loop, state.counts, phase, state.seats).lateness.length > 0
}

/** Loops on the way to a camshaft that was read and has more than one, where not all are counted: teeth above the last are left out. */
export function loopsToCount(sheet: BuildSheet, state: JobState, phase: Phase): Loop[] {
  const ids = Object.keys(state.timing)
    .filter((shaftId) => state.timing[shaftId]?.[phase])
    .map((shaftId) => loopsTo(sheet, shaftId))
    .filter((loops) => loops.length > 1)
    .flat()
  return sheet.loops.filter(({ id }) => ids.includes(id) && !loopIsCounted(sheet, state, phase, id))
}
