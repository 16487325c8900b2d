import { firingDegOf } from '../cylinders'
import type { BuildSheet, Follower } from '../model/buildSheet'
import { wrapToCycle } from '../units'
import { beforeTdc } from './beforeTdc'
import type { FollowerAim } from './target'
import { tradeOf } from './trade'

/** Where a follower serves a cylinder: crank degrees of the cycle. */
export interface ServedAt {
  readonly kind: 'sparks' | 'delivers'
  readonly followerId: string
  readonly cylinderId: string
  readonly atDeg: number
}

/** Where it serves each of its cylinders for so many degrees before their firing TDC; at both TDCs where it serves twice in a cycle. A cylinder whose firing is not known is left out. */
export function servedAt(sheet: BuildSheet, follower: Follower, beforeDeg: number): readonly ServedAt[] {
  const kind = tradeOf(follower) === 'fuel' ? 'delivers' : 'sparks'
  const cylinders = [...new Set(follower.outlets.map(({ cylinderId }) => cylinderId))]
  return cylinders.flatMap((cylinderId) => {
    const firing = firingDegOf(sheet, cylinderId)
    if (firing === undefined) return []
    const turns = follower.serves === 'twice' && sheet.cycleDeg === 720 ? [0, 360] : [0]
    return turns.map((on) => ({
      kind,
      followerId: follower.id,
      cylinderId,
      atDeg: wrapToCycle(firing - beforeDeg + on, sheet.cycleDeg),
    }))
  })
}

/** Where it serves by what it is set to; nothing where that is a lift, or not known. */
export function servedByAim(sheet: BuildSheet, follower: Follower, aim: Pick<FollowerAim, 'by' | 'value'> | undefined) {
  const place = aim && beforeTdc(sheet, { ...aim, plusMinus: 0 })
  return typeof place === 'object' ? servedAt(sheet, follower, place.deg) : []
}
