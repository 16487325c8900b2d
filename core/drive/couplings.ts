import type { BuildSheet, Coupling, Member, Shaft } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { ratioValue } from '../units'
import { placesOfTwoRows, type PlacesMoved } from './placesOfTwoRows'
import { toothWorth } from './sprocket'
import { ratioOfShaft, walkDrive } from './walkDrive'

/** What one place of a coupling is worth on the shaft it drives. Degrees, all positive. */
export interface CouplingStep {
  readonly shaftDeg: number
  readonly crankDeg: number
}

/** The two gears of a mesh, the one nearer the crank first; undefined for another coupling, or where the sheet does not tell the way. */
export function gearsOf(
  sheet: BuildSheet,
  { id }: Pick<Coupling, 'id'>,
): { readonly driver: Member; readonly driven: Member } | undefined {
  return Object.values(walkDrive(sheet).ways)
    .flat()
    .find(({ by }) => by.kind === 'mesh' && by.id === id)?.teeth
}

/** The shaft that a coupling drives; of two gears that of the one further from the crank. */
export function drivenShaftOf(sheet: BuildSheet, coupling: Coupling): Shaft | undefined {
  const id = coupling.kind === 'gearMesh' ? gearsOf(sheet, coupling)?.driven.shaftId : coupling.toId
  return partsOf(sheet).shaft(id)
}

/** What one place at each end of a coupling, or one tooth of two gears, is worth; undefined where the places are not counted, or it does not drive a
 *  shaft that is known. Both ends of a coupling turn together, so one place is 360/positions on either. Source: handbook 9. */
export function couplingWorth(
  sheet: BuildSheet,
  coupling: Coupling,
): { readonly from: CouplingStep | undefined; readonly to: CouplingStep | undefined } {
  const { kind, positions, positionsTo } = coupling
  const shaft = drivenShaftOf(sheet, coupling)
  if (kind === 'gearMesh') {
    const teeth = gearsOf(sheet, coupling)?.driven.teeth?.value
    return { from: shaft && teeth ? toothWorth(teeth, ratioOfShaft(sheet, shaft)) : undefined, to: undefined }
  }
  const perTurn = shaft && Math.abs(ratioValue(ratioOfShaft(sheet, shaft)))
  const worth = (places: number | undefined) =>
    places === undefined || !perTurn ? undefined : { shaftDeg: 360 / places, crankDeg: 360 / places / perTurn }
  return { from: worth(positions?.value), to: worth(positionsTo?.value) }
}

/** How much later a coupling's shaft comes when it is put together so many places, or teeth, on, crank degrees: places on are earlier, so minus.
 *  Undefined where a place that was moved is not counted. */
export function couplingShift(
  sheet: BuildSheet,
  coupling: Coupling,
  { steps, stepsTo = 0 }: { readonly steps: number; readonly stepsTo?: number | undefined },
): number | undefined {
  const { from, to } = couplingWorth(sheet, coupling)
  if ((steps !== 0 && !from) || (stepsTo !== 0 && !to)) return undefined
  return 0 - steps * (from?.crankDeg ?? 0) - stepsTo * (to?.crankDeg ?? 0)
}

/** The places on that bring a lateness nearest to nothing, the fewest of equal ones, and what is then left. With two ends of different
 *  counts every sum of both is tried. Crank degrees. */
export function bestPlaces(sheet: BuildSheet, coupling: Coupling, latenessDeg: number): PlacesMoved | undefined {
  const { from, to } = couplingWorth(sheet, coupling)
  if (!from) return undefined
  const ownPlaces = gearsOf(sheet, coupling)?.driven.teeth ?? coupling.positions
  const [places, placesTo] = [ownPlaces?.value ?? 1, to ? (coupling.positionsTo?.value ?? 1) : 1]
  return placesOfTwoRows(
    latenessDeg,
    { places, eachDeg: from.crankDeg },
    { places: placesTo, eachDeg: to?.crankDeg ?? 0 },
  )
}

/** Couplings and meshes on the way from the crank to a shaft, the nearest to the crank first. */
export const couplingsTo = (sheet: BuildSheet, shaftId: string): Coupling[] =>
  (walkDrive(sheet).ways[shaftId] ?? []).flatMap(({ by }) =>
    by.kind === 'loop' ? [] : (partsOf(sheet).coupling(by.id) ?? []),
  )

/** Shafts that a coupling or mesh drives, itself the last step or one on the way. */
export const shaftsBehind = (sheet: BuildSheet, couplingId: string): string[] =>
  Object.entries(walkDrive(sheet).ways)
    .filter(([, way]) => way.some(({ by }) => by.kind !== 'loop' && by.id === couplingId))
    .map(([shaftId]) => shaftId)
