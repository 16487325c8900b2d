import type { BuildSheet, Coupling } from '../model/buildSheet'
import { gcd } from '../units'
import { couplingWorth, gearsOf } from './couplings'

/** The marks of two gears come together at so few of their teeth, or at any of them after enough turns, that teeth between them tell nothing. Ours: two
 *  teeth either way have to be told from each other. */
const LEAST_TEETH_APART = 5

export interface MeshRead {
  /** Whole teeth that the driven gear stands late (+) or early (-); undefined where this count cannot tell. */
  readonly teethLate: number | undefined
  /** At the crank; undefined with it. */
  readonly latenessDeg: number | undefined
  readonly toothCrankDeg: number
  /** Nothing but whole turns of the crank would count alike: then the count proves the mesh. Elsewhere a gear further out may read as right. */
  readonly provesMesh: boolean
  /** Turns of the driving gear until the two marks come together; undefined where they never do as they mesh now. */
  readonly turnsToMeet: number | undefined
}

/** What teeth between the marks of two gears in mesh say, counted along both through the mesh, + = the driven gear's mark comes to the mesh last. They
 *  stay the same as the gears turn but for whole turns of either, so they tell the tooth to within the greatest common divisor of the two
 *  counts: 20 and 40 teeth to one in 20; 23 and 40 to one in 1, that is not at all (a hunting tooth). Undefined where teeth are not counted.
 *  Source: whole-number arithmetic. */
export function readMeshCount(sheet: BuildSheet, coupling: Coupling, teethBehind: number): MeshRead | undefined {
  const gears = gearsOf(sheet, coupling)
  const [driver, driven] = [gears?.driver.teeth?.value, gears?.driven.teeth?.value]
  const worth = couplingWorth(sheet, coupling).from
  if (!driver || !driven || !worth) return undefined
  const common = gcd(driver, driven)
  const nearest = teethBehind - common * Math.round(teethBehind / common) + 0
  const teethLate = common < LEAST_TEETH_APART ? undefined : nearest
  return {
    teethLate,
    latenessDeg: teethLate === undefined ? undefined : teethLate * worth.crankDeg,
    toothCrankDeg: worth.crankDeg,
    provesMesh: teethLate !== undefined && isWhole((common * worth.crankDeg) / 360),
    turnsToMeet: turnsToMeet(teethBehind, driver, driven),
  }
}

const isWhole = (turns: number) => Math.abs(turns - Math.round(turns)) < 1e-9

/** After each turn of the driving gear the other's mark stands so many teeth less behind. */
function turnsToMeet(behind: number, driver: number, driven: number): number | undefined {
  for (let turns = 0; turns < driven; turns++) if ((behind - turns * driver) % driven === 0) return turns
  return undefined
}
