import { valveEvents } from '../cams'
import { companionsOf, firingDegOf } from '../cylinders'
import type { BuildSheet, Cam } from '../model/buildSheet'
import { wrapToCycle, wrapToSigned } from '../units'

/** How it is told that a valve can be set: its companion cylinder overlaps, or its own lobe points away. */
export type LashRule = 'companion' | 'lobeAway'

/** A place of the crank, and the valves that can be set there. Degrees of the cycle. */
export interface LashStop {
  readonly crankDeg: number
  readonly camIds: readonly string[]
  /** The cylinder whose overlap shows it, where one does. */
  readonly overlapsId?: string | undefined
}

/** Off its ramps: so far past its closing and before its opening, crank degrees. Ours. */
const CLEAR_DEG = 30

/** Whether a valve can be set with the crank there: by the rule, and with nothing known of its events only at its own firing TDC. Source: handbook 15,
 *  common practice. */
export function canBeSet(sheet: BuildSheet, cam: Cam, crankDeg: number, rule: LashRule): boolean {
  const firing = firingDegOf(sheet, cam.cylinderId)
  if (firing === undefined) return false
  const fromFiring = Math.abs(wrapToSigned(crankDeg - firing, sheet.cycleDeg))
  if (rule === 'companion') return fromFiring < 1
  const { opens, closes } = valveEvents(sheet, cam)
  if (opens === undefined || closes === undefined) return fromFiring < 1
  const shut = wrapToCycle(opens - closes, sheet.cycleDeg)
  const since = wrapToCycle(crankDeg - closes, sheet.cycleDeg)
  return since >= CLEAR_DEG && since <= shut - CLEAR_DEG
}

/** The fewest places of the crank that reach every valve there is a place for, in the order in which the crank comes to them turning the running way from
 *  where it stands. Each valve is set at the first of them that it can be set at. Empty where no cylinder's place on the cycle is known. */
export function lashRound(sheet: BuildSheet, rule: LashRule, fromDeg = 0): LashStop[] {
  const candidates = candidateDegs(sheet).map((crankDeg) => ({
    crankDeg,
    camIds: sheet.cams.filter((cam) => canBeSet(sheet, cam, crankDeg, rule)).map(({ id }) => id),
  }))
  const chosen = fewest(candidates.filter(({ camIds }) => camIds.length > 0))
  const inOrder = chosen.toSorted(
    (a, b) => wrapToCycle(a.crankDeg - fromDeg, sheet.cycleDeg) - wrapToCycle(b.crankDeg - fromDeg, sheet.cycleDeg),
  )
  const set = new Set<string>()
  return inOrder.map(({ crankDeg, camIds }) => {
    const here = camIds.filter((id) => !set.has(id))
    for (const id of here) set.add(id)
    return { crankDeg, camIds: here, overlapsId: overlapping(sheet, crankDeg) }
  })
}

/** The cylinder that is at its overlap with the crank there. */
const overlapping = (sheet: BuildSheet, crankDeg: number) =>
  sheet.cylinders.find(({ id }) => {
    const firing = firingDegOf(sheet, id)
    const fires = firing !== undefined && Math.abs(wrapToSigned(crankDeg - firing, sheet.cycleDeg)) < 1
    return fires && companionsOf(sheet, id).length > 0
  }) &&
  sheet.cylinders.find(({ id }) => {
    const firing = firingDegOf(sheet, id)
    return firing !== undefined && Math.abs(wrapToSigned(crankDeg - firing - 360, sheet.cycleDeg)) < 1
  })?.id

/** Every firing TDC first, as they are found without a wheel; then every 30°. */
function candidateDegs(sheet: BuildSheet): number[] {
  const tdcs = sheet.cylinders.flatMap(({ id }) => firingDegOf(sheet, id) ?? [])
  const grid = Array.from({ length: sheet.cycleDeg / 30 }, (_, i) => i * 30)
  return [...new Set([...tdcs.map((deg) => wrapToCycle(deg, sheet.cycleDeg)), ...grid])]
}

/** More stops than this are not gone through one by one: then the one that adds most is taken each time. */
const MOST_EXACT = 3

function fewest<T extends { readonly camIds: readonly string[] }>(candidates: readonly T[]): T[] {
  const all = new Set(candidates.flatMap(({ camIds }) => camIds))
  for (let size = 1; size <= MOST_EXACT; size++) {
    const found = covering(candidates, all, size, 0)
    if (found) return found
  }
  const chosen: T[] = []
  const left = new Set(all)
  while (left.size > 0) {
    const [best] = candidates.toSorted((a, b) => gain(b, left) - gain(a, left))
    if (!best || gain(best, left) === 0) break
    chosen.push(best)
    for (const id of best.camIds) left.delete(id)
  }
  return chosen
}

const gain = ({ camIds }: { readonly camIds: readonly string[] }, left: ReadonlySet<string>) =>
  camIds.filter((id) => left.has(id)).length

function covering<T extends { readonly camIds: readonly string[] }>(
  candidates: readonly T[],
  left: ReadonlySet<string>,
  size: number,
  from: number,
): T[] | undefined {
  if (left.size === 0) return []
  if (size === 0) return undefined
  for (let i = from; i < candidates.length; i++) {
    const one = candidates[i] as T
    if (gain(one, left) * size < left.size && size === 1) continue
    const rest = new Set([...left].filter((id) => !one.camIds.includes(id)))
    if (rest.size === left.size) continue
    const found = covering(candidates, rest, size - 1, i + 1)
    if (found) return [one, ...found]
  }
  return undefined
}
