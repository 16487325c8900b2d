import { placeOfLink } from '../drive'
import { seenAtPlace, trimOf, type Apart, type Stand } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { GuardReason, Room } from './guard'

/** What a trim is: its verdict, and the room that is left of it. */
export type Trim = Pick<GuardReason, 'verdict' | 'room' | 'trim'>

const UNKNOWN: Trim = { verdict: 'unknown', trim: 'unknown' }

/** Whether the crank's ledger can be trusted to say how far it was turned from a place. */
const ledgerHolds = ({ rotation, disputes }: Stand) =>
  !rotation.contradicted && rotation.wheelDisagreesDeg === undefined && disputes.every(({ about }) => about !== 'crank')

/** The trim round a place of the crank's ledger. It is an interval and not so much for each entry: what was turned is used up, and outside of it nothing
 *  more may be turned. */
export function trimAround(sheet: BuildSheet, stand: Stand, centreDeg: number | undefined): Trim {
  if (centreDeg === undefined || !ledgerHolds(stand)) return UNKNOWN
  const awayDeg = stand.rotation.totalDeg - centreDeg
  const trimDeg = trimOf(sheet)
  const room: Room = { forwardDeg: trimDeg - awayDeg, backDeg: trimDeg + awayDeg }
  if (Math.min(room.forwardDeg, room.backDeg) < -1e-9) return { verdict: 'doNotTurn', trim: 'used' }
  return { verdict: 'trim', room: { forwardDeg: Math.max(0, room.forwardDeg), backDeg: Math.max(0, room.backDeg) } }
}

export type ApartTrim = Trim & { readonly why: 'trim' | 'elsewhere' | 'placeUnknown' | 'lookAgain' }

/** The trim where something is undone: round where it came undone at the timing position; else only round the place at which it meets, the timing
 *  position or its own, once it was seen there. */
export function trimWhereApart(
  sheet: BuildSheet,
  stand: Stand,
  { apart, linkId }: { readonly apart: Apart | undefined; readonly linkId: string },
): ApartTrim {
  const seenDeg = seenAtPlace({ ...stand, sheet }, placeOfLink(sheet, linkId))
  if (apart?.at === 'pose') return { ...trimAround(sheet, stand, apart.totalDeg), why: 'trim' }
  if (seenDeg !== undefined) {
    const trim = trimAround(sheet, stand, seenDeg)
    if (trim.verdict === 'trim' || apart?.at === 'ended') return { ...trim, why: 'trim' }
  }
  if (apart?.at === 'elsewhere') return { verdict: 'doNotTurn', why: 'elsewhere' }
  return { verdict: 'unknown', why: apart?.at === 'ended' ? 'lookAgain' : 'placeUnknown' }
}
