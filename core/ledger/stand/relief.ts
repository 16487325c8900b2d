import { valveEvents } from '../../cams'
import { firingDegOf } from '../../cylinders'
import type { BuildSheet, Cam } from '../../model/buildSheet'
import { partsOf } from '../../sheet'
import { wrapToCycle } from '../../units'
import { registerItems } from '../registerItems'
import type { Stand } from './stand'

type Relieving = Pick<Stand, 'register' | 'camshafts'>

/** Whether no valve that a camshaft works can come down: it is out or its head off (where springs shut them), or it is held and was seen with all of them
 *  shut, or every one of them is relieved. An item of old that says "every valve relieved" and nothing more is taken at its word; one with words beside it frees nothing. */
export function isRelieved(sheet: BuildSheet, stand: Relieving, shaftId: string): boolean {
  const is = stand.camshafts.get(shaftId)
  const springs = (sheet.valvesShutBy ?? 'springs') === 'springs'
  if (is?.is === 'out' && springs) return true
  if (is?.is === 'held' && is.seenShut && canAllBeShut(sheet, shaftId)) return true
  const reliefs = stand.register.flatMap(({ item, of, where }) =>
    !registerItems[item].relieves || (item === 'headOff' && !springs)
      ? []
      : of
        ? [of]
        : where.trim() === ''
          ? [{ what: 'all' as const }]
          : [],
  )
  const whole = reliefs.some((relief) => relief.what === 'all' || (relief.what === 'camshaft' && relief.id === shaftId))
  if (whole) return true
  const cams = sheet.cams.filter((cam) => cam.shaftId === shaftId)
  const bankOf = (cam: Cam) => partsOf(sheet).cylinder(cam.cylinderId)?.bankId
  return (
    cams.length > 0 &&
    cams.every((cam) =>
      reliefs.some(
        (relief) =>
          (relief.what === 'valve' && relief.id === cam.id) ||
          (relief.what === 'cylinder' && relief.id === cam.cylinderId) ||
          (relief.what === 'bank' && relief.id === bankOf(cam)),
      ),
    )
  )
}

/** Whether a camshaft is not there: out, or gone with its head. */
export const isAway = (sheet: BuildSheet, { register, camshafts }: Relieving, shaftId: string): boolean =>
  camshafts.get(shaftId)?.is === 'out' ||
  isRelieved(
    { ...sheet, valvesShutBy: 'springs' },
    { register: register.filter(({ item }) => item === 'headOff'), camshafts: new Map() },
    shaftId,
  )

/** Whether a camshaft has a place where all of its valves are shut. With every event known that is computed; else it is taken only of one that works a
 *  single cylinder, or both of a twin that fires half a turn apart. Source: handbook 17: with usual events such a twin has 63° of it. */
export function canAllBeShut(sheet: BuildSheet, shaftId: string): boolean {
  const cams = sheet.cams.filter((cam) => cam.shaftId === shaftId)
  if (cams.length === 0) return false
  const cylinderIds = [...new Set(cams.map(({ cylinderId }) => cylinderId))]
  if (cylinderIds.length === 1) return true
  const open = cams.map((cam) => valveEvents(sheet, cam))
  if (open.some(({ opens, closes }) => opens === undefined || closes === undefined))
    return isHalfTurnTwin(sheet, cylinderIds)
  const isOpen = (deg: number) =>
    open.some(
      ({ opens, closes }) =>
        wrapToCycle(deg - (opens ?? 0), sheet.cycleDeg) <= wrapToCycle((closes ?? 0) - (opens ?? 0), sheet.cycleDeg),
    )
  // Only just after one of them closes can the last of them have shut; a few degrees on, so that a reading has room.
  return open.some(({ closes }) => [2, 5].every((on) => !isOpen(wrapToCycle((closes ?? 0) + on, sheet.cycleDeg))))
}

/** Two cylinders of a four-stroke whose firing lies half a turn of the crank apart, or a turn and a half. */
function isHalfTurnTwin(sheet: BuildSheet, cylinderIds: readonly string[]): boolean {
  const [a, b] = cylinderIds.map((id) => firingDegOf(sheet, id))
  if (sheet.cycleDeg !== 720 || cylinderIds.length !== 2 || a === undefined || b === undefined) return false
  return Math.abs(wrapToCycle(a - b, 360) - 180) < 1
}
