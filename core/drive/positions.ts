import { placeByDistances, polar, type Point } from '../geometry'
import type { BuildSheet, Mark, Position, Shaft } from '../model/buildSheet'
import { planeSign, ratioValue, wrapTo360 } from '../units'
import { ratioOfShaft } from './walkDrive'

/** Where a shaft stands in the plane; undefined when a distance or direction is not known yet.
 *  Shafts that lean on each other in a ring are not known either. */
export function shaftPoint(sheet: BuildSheet, shaft: Shaft, seen: readonly string[] = []): Point | undefined {
  if (seen.includes(shaft.id)) return undefined
  const own = shaft.position && pointOf(sheet, shaft.position, [...seen, shaft.id])
  if (own) return own
  const joint = sheet.couplings.find(({ kind, toId }) => kind !== 'gearMesh' && toId === shaft.id)
  const other = sheet.shafts.find(({ id }) => id === joint?.fromId)
  return other && shaftPoint(sheet, other, [...seen, shaft.id])
}

export function pointOf(sheet: BuildSheet, position: Position, seen: readonly string[] = []): Point | undefined {
  if (position.how === 'origin') return { x: 0, y: 0 }
  if (position.how === 'xy') return { x: position.xMm.value, y: position.yMm.value }
  if (position.how === 'distances') return byDistances(sheet, position, seen)
  const from = sheet.shafts.find(({ id }) => id === position.fromShaftId)
  const start = from && shaftPoint(sheet, from, seen)
  if (!start || !position.distanceMm || !position.directionDeg) return undefined
  return polar(start, position.distanceMm.value, position.directionDeg.value)
}

/** Where calliper distances from placed shafts put a point, and how badly more than two of them fit; undefined until two are known. */
export function fitDistances(
  sheet: BuildSheet,
  { from, side }: Extract<Position, { how: 'distances' }>,
  seen: readonly string[] = [],
) {
  const measured = from.flatMap(({ shaftId, distanceMm }) => {
    const shaft = sheet.shafts.find(({ id }) => id === shaftId)
    const point = shaft && shaftPoint(sheet, shaft, seen)
    return point && distanceMm ? [{ from: point, distanceMm: distanceMm.value }] : []
  })
  const [a, b] = measured
  if (!a || !b) return undefined
  const [dx, dy] = [b.from.x - a.from.x, b.from.y - a.from.y]
  const sign = side === 'left' ? 1 : -1
  const towards = { x: (a.from.x + b.from.x) / 2 - sign * dy * 10, y: (a.from.y + b.from.y) / 2 + sign * dx * 10 }
  return placeByDistances(measured, towards)
}

function byDistances(sheet: BuildSheet, position: Extract<Position, { how: 'distances' }>, seen: readonly string[]) {
  const placed = fitDistances(sheet, position, seen)
  return placed?.ok ? placed.value.point : undefined
}

/** Angle of a mark on its member from the centre of tooth gap 0, counter-clockwise from the timing side. */
export const markAngleDeg = (mark: Mark, teeth: number) => (mark.halfTeeth * 180) / teeth
export const markSeat = ({ halfTeeth }: Mark) => (halfTeeth % 2 === 0 ? 'gap' : 'tip')

/** The place of the crank at which the camshaft of a mark is set, where that is its own. */
function shaftPlace(sheet: BuildSheet, mark: Pick<Mark, 'memberId'> | undefined): number | undefined {
  const shaftId = sheet.members.find(({ id }) => id === mark?.memberId)?.shaftId
  return sheet.shafts.find(({ id }) => id === shaftId)?.meetsAtDeg?.value
}

/** The place of the crank at which a mark meets what it meets: its own event where the sheet names one, else that of its camshaft, else the reference
 *  pose. */
export const markPoseDeg = (sheet: BuildSheet, mark: Pick<Mark, 'meetsAtDeg' | 'memberId'> | undefined) =>
  mark?.meetsAtDeg?.value ?? shaftPlace(sheet, mark) ?? sheet.referencePose.crankDeg.value

/** Where the centre of tooth gap 0 of a member points in the reference pose: how the member sits on its shaft.
 *  Taken from the first of its marks whose direction is known; one that meets at another place of the crank is turned back to the pose. */
export function gapZeroDeg(sheet: BuildSheet, memberId: string): number | undefined {
  const member = sheet.members.find(({ id }) => id === memberId)
  const mark = sheet.marks.find((one) => one.memberId === memberId && one.pointsAtDeg)
  if (!member?.teeth || !mark?.pointsAtDeg) return undefined
  const awayDeg = sheet.referencePose.crankDeg.value - markPoseDeg(sheet, mark)
  const turnedDeg = awayDeg === 0 ? 0 : awayDeg * planeSpeed(sheet, member.shaftId)
  return wrapTo360(mark.pointsAtDeg.value - markAngleDeg(mark, member.teeth.value) + turnedDeg)
}

/** Plane degrees that a shaft turns for one of the crank. */
function planeSpeed(sheet: BuildSheet, shaftId: string | undefined): number {
  const shaft = sheet.shafts.find(({ id }) => id === shaftId)
  return shaft ? planeSign(sheet.running?.value ?? 'clockwise') * ratioValue(ratioOfShaft(sheet, shaft)) : 0
}
