import type { Point } from '../geometry'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'

/** How a shaft hangs on the one that turns it, whether or not any tooth of it is counted. */
interface Hang {
  readonly fromShaftId: string
  readonly by: { readonly kind: 'loop' | 'mesh' | 'coupling'; readonly id: string }
  /** Where it lies from that shaft on a drawing that is not to scale, degrees counter-clockwise from +x. */
  readonly towardsDeg: number
}

const UP_DEG = 90
/** Between two that hang on one shaft. */
const BETWEEN_DEG = 80

/** How the shafts of a drive hang on each other from the crank outwards, for drawings that are not to scale: what hangs on one shaft is spread, the first
 *  named to the left, so that two banks make a V. Needs no figure of the sheet. */
export const hangs = oncePerSheet((sheet): ReadonlyMap<string, Hang> => {
  const found = new Map<string, Hang>()
  const crankId = partsOf(sheet).crank?.id
  if (crankId === undefined) return found
  const queue = [{ shaftId: crankId, baseDeg: UP_DEG }]
  for (let at = queue.shift(); at; at = queue.shift()) {
    const here = at
    const bunches = bunchesFrom(sheet, here.shaftId).flatMap((bunch) => {
      const shaftIds = bunch.shaftIds.filter((id) => id !== crankId && !found.has(id))
      return shaftIds.length > 0 ? [{ ...bunch, shaftIds }] : []
    })
    bunches.forEach(({ by, shaftIds }, i) => {
      const towardsDeg = here.baseDeg + BETWEEN_DEG * ((bunches.length - 1) / 2 - i)
      for (const shaftId of shaftIds) {
        if (found.has(shaftId)) continue
        found.set(shaftId, { fromShaftId: here.shaftId, by, towardsDeg })
        queue.push({ shaftId, baseDeg: UP_DEG + (towardsDeg - UP_DEG) / 2 })
      }
    })
  }
  return found
})

/** What hangs on a shaft: by a loop all of its wheels together, by gears and couplings each by itself. */
function bunchesFrom(sheet: BuildSheet, shaftId: string) {
  const shaftOf = (memberId: string) => partsOf(sheet).member(memberId)?.shaftId
  const loops = sheet.loops.flatMap((loop) => {
    const shafts = loop.path.flatMap(({ memberId }) => shaftOf(memberId) ?? [])
    if (!shafts.includes(shaftId)) return []
    return [{ by: { kind: 'loop' as const, id: loop.id }, shaftIds: shafts.filter((id) => id !== shaftId) }]
  })
  const couplings = sheet.couplings.flatMap(({ id, kind, fromId, toId }) => {
    const isMesh = kind === 'gearMesh'
    const [a, b] = isMesh ? [shaftOf(fromId), shaftOf(toId)] : [fromId, toId]
    const other = a === shaftId ? b : b === shaftId ? a : undefined
    if (other === undefined) return []
    return [{ by: { kind: isMesh ? ('mesh' as const) : ('coupling' as const), id }, shaftIds: [other] }]
  })
  return [...loops, ...couplings]
}

/** Which way a loop goes off from the shaft that drives it, on a drawing that is not to scale, degrees. */
export const loopTowardsDeg = (sheet: BuildSheet, loop: Loop): number =>
  [...hangs(sheet).values()].find(({ by }) => by.kind === 'loop' && by.id === loop.id)?.towardsDeg ?? UP_DEG

/** Laid-out points turned and moved, so that the driver stands at a place and the rest lies in a direction from it. */
export function turnedAbout<T extends { readonly centre: Point }>(
  laid: readonly T[],
  driver: T | undefined,
  { at, towardsDeg }: { readonly at: Point; readonly towardsDeg: number },
): T[] {
  const others = laid.filter((one) => one !== driver)
  if (!driver || others.length === 0) return [...laid]
  const middle = (pick: (point: Point) => number) =>
    others.reduce((sum, { centre }) => sum + pick(centre), 0) / others.length
  const [dx, dy] = [middle(({ x }) => x) - driver.centre.x, middle(({ y }) => y) - driver.centre.y]
  const turn = (towardsDeg * Math.PI) / 180 - Math.atan2(dy, dx)
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return laid.map((one): T => {
    const [x, y] = [one.centre.x - driver.centre.x, one.centre.y - driver.centre.y]
    return { ...one, centre: { x: at.x + x * cos - y * sin, y: at.y + x * sin + y * cos } }
  })
}
