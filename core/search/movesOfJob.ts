import { hangingOrder, readDrive } from '../drive'
import { lastOf, type JobState } from '../ledger'
import type { BuildSheet, Phase, Shaft } from '../model'
import { partsOf } from '../sheet'
import type { CamToSet, MoveProblem } from './moves'
import { adjusterMoves, couplingMoves, type DriveMove } from './driveMoves'
import { toothMoves } from './toothMoves'

const BEST = 4

/** Everything on the drive that can be moved, for every camshaft whose lateness is known, as one search; what each mover is, by its id. What would
 *  move a camshaft that was not read is left out. Undefined where no lateness is known or nothing can be moved. */
export function moveProblemOf(sheet: BuildSheet, state: JobState, phase: Phase): MoveProblem | undefined {
  const read = camshaftsRead(sheet, state, phase)
  const moves = movesOfDrive(sheet, state, phase).filter(({ camIds }) => camIds.every((id) => read.includes(id)))
  if (moves.length === 0) return undefined
  const cams = read.map((id): CamToSet => {
    const latenessDeg = (state.timing[id]?.[phase]?.latenessDeg ?? 0) - (lastOf(state, 'target', id)?.latenessDeg ?? 0)
    const movers = moves.flatMap(({ mover, camIds }) => (camIds.length === 1 && camIds[0] === id ? [mover] : []))
    return { id, latenessDeg, weight: 1, movers }
  })
  return { cams, shared: moves.filter(({ camIds }) => camIds.length > 1), cycleDeg: sheet.cycleDeg, best: BEST }
}

/** Camshafts that have to be read before everything that moves the ones that were read can be reckoned with. */
export function camshaftsToRead(sheet: BuildSheet, state: JobState, phase: Phase): Shaft[] {
  const read = camshaftsRead(sheet, state, phase)
  const along = movesOfDrive(sheet, state, phase).filter(({ camIds }) => camIds.some((id) => read.includes(id)))
  return sheet.shafts.filter(({ id }) => !read.includes(id) && along.some(({ camIds }) => camIds.includes(id)))
}

const movesOfDrive = (sheet: BuildSheet, state: JobState, phase: Phase): DriveMove[] =>
  [...toothMoves(sheet, state, phase), ...couplingMoves(sheet), ...adjusterMoves(sheet)].filter(
    ({ camIds }) => camIds.length > 0,
  )

const camshaftsRead = (sheet: BuildSheet, state: JobState, phase: Phase): string[] =>
  camshaftsOutwards(sheet).flatMap(({ id }) => (state.timing[id]?.[phase] ? [id] : []))

/** Camshafts from the crank outwards, along the pulled runs: the order in which they are set, those before held. Source: handbook 8 and 12. */
export function camshaftsOutwards(sheet: BuildSheet): Shaft[] {
  const { ways } = readDrive(sheet)
  const placeOf = ({ id }: Shaft) => {
    const way = ways[id]
    const last = way?.findLast(({ by }) => by.kind === 'loop')
    const loop = partsOf(sheet).loop(last?.by.id)
    const at = loop ? hangingOrder(sheet, loop, []).findIndex(({ memberId }) => memberId === last?.teeth?.driven.id) : 0
    return [way?.length ?? Infinity, at] as const
  }
  return sheet.shafts
    .filter(({ kind }) => kind === 'cam')
    .map((shaft) => ({ shaft, place: placeOf(shaft) }))
    .sort((a, b) => a.place[0] - b.place[0] || a.place[1] - b.place[1])
    .map(({ shaft }) => shaft)
}
