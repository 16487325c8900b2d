import { readDrive } from '../drive'
import type { BuildSheet, Follower } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { handOfTurn, otherHand, ratioValue, type Hand, type Side } from '../units'

/** Turns of a follower's own shaft for one of the crank, signed; undefined while its shaft is not on the sheet. */
export function ratioOfFollower(sheet: BuildSheet, { shaftId }: Follower): number | undefined {
  const shaft = partsOf(sheet).shaft(shaftId)
  return shaft && ratioValue(readDrive(sheet).ratioOf(shaft))
}

/** Degrees of its own shaft as degrees of the crank: own / |ratio|. Source: handbook 14, plain kinematics. */
export const toCrankDeg = (deg: number, of: 'own' | 'crank', ratio: number) =>
  of === 'crank' ? deg : deg / Math.abs(ratio)
/** The other way: crank · |ratio|. */
export const toOwnDeg = (deg: number, of: 'own' | 'crank', ratio: number) =>
  of === 'own' ? deg : deg * Math.abs(ratio)

/** Which way it turns, looking at its drive end: from the crank's direction and its ratio; of one that lies across the engine as somebody said. Undefined while
 *  the crank's direction, where its drive end looks, or its shaft is not known. */
export function handAtDriveEnd(sheet: BuildSheet, follower: Follower): Hand | undefined {
  if (follower.driveEnd === 'across') return follower.turns?.value
  return follower.driveEnd && handFromSide(sheet, follower, follower.driveEnd)
}

/** Which way it turns, seen from a side of the engine; of one across the engine that has no meaning. */
export function handFromSide(sheet: BuildSheet, follower: Follower, side: Side): Hand | undefined {
  const ratio = ratioOfFollower(sheet, follower)
  if (!sheet.running || ratio === undefined || follower.driveEnd === 'across') return undefined
  return handOfTurn({ sign: ratio, running: sheet.running.value, side })
}

/** Which way its body is swung, seen as its turning is: against it to make it earlier, with it to make it later. Source: handbook 14. */
export const swingHand = (turns: Hand, towards: 'advance' | 'retard'): Hand =>
  towards === 'advance' ? otherHand(turns) : turns
