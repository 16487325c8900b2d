import type { BuildSheet, Mark } from '../model/buildSheet'
import { partsOf } from '../sheet'

/** How many crank turns until a mark is back at its fixed pointer: once a turn of its own shaft, which for a shaft that turns a/b of the
 *  crank (lowest terms) is together with the crank again after b turns. Undefined for a mark on no shaft. Source: handbook 6. */
export function turnsToMeet(sheet: BuildSheet, mark: Mark): number | undefined {
  const shaftId = partsOf(sheet).member(mark.memberId)?.shaftId
  return partsOf(sheet).shaft(shaftId)?.ratio.den
}
