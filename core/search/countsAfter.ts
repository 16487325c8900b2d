import { byId } from '../byId'
import { readDrive } from '../drive'
import { alike, lastOf, readLoop, seatsAfter, type JobState, type Seats } from '../ledger'
import type { BuildSheet, Loop, Phase } from '../model'
import { partsOf } from '../sheet'
import type { Move, MoveSet } from './moves'

/** A loop laid over one of its wheels. */
export interface Laid {
  readonly loopId: string
  readonly memberId: string
  /** + = further in that wheel's running direction. */
  readonly teeth: number
}

/** What one move lays over a wheel; undefined where it is no tooth. Over a driven wheel further on makes its camshaft later, over the driver
 *  it makes all of them earlier. */
export function laidBy({ of, amount }: Move, sheet: BuildSheet): Laid | undefined {
  if (of?.part !== 'tooth') return undefined
  const { loopId, memberId } = of
  const loop = partsOf(sheet).loop(loopId)
  if (!loop) return undefined
  return { loopId, memberId, teeth: readDrive(sheet).driverOf(loop)?.id === memberId ? 0 - amount : amount }
}

/** Every move of a set, those that move several camshafts first. */
export const movesIn = ({ shared, cams }: MoveSet): Move[] => [...shared, ...cams.flatMap(({ moves }) => moves)]

export interface CountsOfLoop {
  readonly loop: Loop
  readonly counts: readonly { readonly from: string; readonly to: string; readonly pitches: number }[]
  /** Where its wheels then stand on purpose, where what was found would else be whole teeth out. */
  readonly seats: Seats
}

/** What has to be counted along the pulled runs of each loop that a set of moves touches. From what was counted where it was: teeth laid change it
 *  and nothing else does; else from the book and where the hubs want their wheels. */
export function countsAfter(
  set: MoveSet,
  { sheet, state, phase }: { readonly sheet: BuildSheet; readonly state: JobState; readonly phase: Phase },
): CountsOfLoop[] {
  const moves = movesIn(set)
  const laid = moves.flatMap((move) => laidBy(move, sheet) ?? [])
  const adjusted = moves.flatMap(({ of, laterDeg }) =>
    of?.part === 'adjuster' ? [{ adjusterId: of.adjusterId, laterDeg }] : [],
  )
  const before = phase === 'found' ? state.seats.found : state.seats.now
  const wanted = seatsAfter(sheet, before, adjusted)
  return sheet.loops.flatMap((loop): CountsOfLoop[] => {
    const own = laid.filter(({ loopId }) => loopId === loop.id)
    if (own.length === 0 && !loop.path.some(({ memberId }) => wanted[memberId] !== before[memberId])) return []
    const laidOver = (memberId: string) => own.find((one) => one.memberId === memberId)?.teeth ?? 0
    const { found, lateness } = readLoop(sheet, loop, state.counts, phase, alike(before))
    const counts = readLoop(sheet, loop, [], undefined, alike(wanted)).sections.flatMap(
      ({ id, run, from, to, expected }) => {
        const was = found.find(({ sectionId }) => sectionId === id)?.foundPitches
        const pitches = was === undefined ? expected?.pitches : was + laidOver(from.memberId) - laidOver(to.memberId)
        return run === 'tight' && pitches !== undefined ? [{ from: from.name, to: to.name, pitches }] : []
      },
    )
    const driverId = readDrive(sheet).driverOf(loop)?.id
    const stands = lateness.map(({ memberId, teethLate, shaft, toothCrankDeg }) => ({
      memberId,
      pitches: (before[memberId] ?? 0) + teethLate + laidOver(memberId) - laidOver(driverId ?? ''),
      // What the moves leave of the camshaft, by its reading: it would be right with its wheel so much earlier.
      leftPitches: leftOf(set, { shaftId: shaft.id, state }) / toothCrankDeg,
    }))
    const asMeant = stands.every(({ memberId, pitches }) => Math.abs(pitches - (wanted[memberId] ?? 0)) < 0.5)
    const seats = stands.map(({ memberId, pitches, leftPitches }) => [memberId, pitches - leftPitches] as const)
    return [{ loop, counts, seats: byId(asMeant ? [] : seats) }]
  })
}

/** How late a camshaft stands once the moves are done, crank degrees; nothing where it is not one of theirs. What it is late of on purpose counts. */
function leftOf(set: MoveSet, { shaftId, state }: { readonly shaftId: string; readonly state: JobState }): number {
  const cam = set.cams.find(({ id }) => id === shaftId)
  return cam ? cam.leftoverDeg + (lastOf(state, 'target', shaftId)?.latenessDeg ?? 0) : 0
}
