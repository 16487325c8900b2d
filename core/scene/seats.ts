import { gapZeroDeg, placeOnPath, readDrive, type SolvedLoop } from '../drive'
import { directionDeg } from '../geometry'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { planeSign } from '../units'
import type { SceneState, ToothedPart } from './scene'

export interface Seats {
  /** Where tooth gap 0 of each part points in the timing position, plane degrees. */
  readonly seats: ReadonlyMap<string, number>
  /** Where the first pin of each loop lies on its path, pitches: in the driver's gap, so that the loop's phase never drifts. */
  readonly firstPins: ReadonlyMap<string, number>
}

/** Straight up, where nothing says how a part sits on its shaft. */
const UP_DEG = 90

/** How every toothed part sits on its shaft: by its marks; on a loop that is off as its shaft stands, on one that was counted as late as the count says, on
 *  one that was not by the least turn that brings its gaps under the pins. */
export function seatParts(
  sheet: BuildSheet,
  toothed: readonly ToothedPart[],
  { speedOf, state }: { readonly speedOf: (memberId: string) => number; readonly state: SceneState },
): Seats {
  const seats = new Map<string, number>()
  const firstPins = new Map<string, number>()
  for (const loop of sheet.loops) {
    const lies = readDrive(sheet).lies(loop)
    if (lies) seatLoop(loop, lies)
  }
  seatGears(sheet, toothed, seats)
  return { seats, firstPins }

  function seatLoop(loop: Loop, solved: SolvedLoop): void {
    const on = !state.offLoops.includes(loop.id)
    const parts = solved.members.filter(({ teeth }) => teeth)
    const driver = parts.find(({ memberId }) => memberId === solved.driverId) ?? parts[0]
    if (!driver?.teeth) return
    const driverSeat = seats.get(driver.memberId) ?? gapZeroDeg(sheet, driver.memberId) ?? UP_DEG
    seats.set(driver.memberId, driverSeat)
    const firstPin =
      placeOnPath(solved.path, { memberId: driver.memberId, teeth: driver.teeth, deg: driverSeat })?.atPitches ?? 0
    firstPins.set(loop.id, firstPin)
    for (const { memberId, teeth } of parts) {
      if (memberId === driver.memberId || !teeth) continue
      const start = gapZeroDeg(sheet, memberId) ?? UP_DEG
      const turns = Math.sign(speedOf(memberId)) || planeSign(sheet.running?.value ?? 'clockwise')
      const late = state.latePitches[memberId]
      const shaftId = partsOf(sheet).shaftOfMember(memberId)?.id ?? ''
      if (!on) seats.set(memberId, start - turns * (state.shaftOffDeg[shaftId] ?? 0))
      else if (late !== undefined) seats.set(memberId, start - (turns * late * 360) / teeth)
      else {
        const off = (placeOnPath(solved.path, { memberId, teeth, deg: start })?.atPitches ?? 0) - firstPin
        seats.set(memberId, start - (turns * (off - Math.round(off)) * 360) / teeth)
      }
    }
  }
}

/** A gear without a mark of its own is laid so that its teeth stand in the other's gaps. */
function seatGears(sheet: BuildSheet, toothed: readonly ToothedPart[], seats: Map<string, number>): void {
  for (const { kind, fromId, toId } of sheet.couplings) {
    if (kind !== 'gearMesh') continue
    const [a, b] = [fromId, toId].map((id) => toothed.find(({ memberId }) => memberId === id))
    if (!a || !b) continue
    const seatA = seats.get(a.memberId) ?? gapZeroDeg(sheet, a.memberId) ?? UP_DEG
    seats.set(a.memberId, seatA)
    if (seats.has(b.memberId)) continue
    const towards = directionDeg({ x: b.centre.x - a.centre.x, y: b.centre.y - a.centre.y })
    const pastGap = (((towards - seatA) * a.teeth) / 360) % 1
    seats.set(b.memberId, towards + 180 - ((0.5 - pastGap) * 360) / b.teeth)
  }
}
