import { wrapToCycle, wrapToSigned } from '../units'
import type { Guard, GuardReason } from './guard'

/** An instruction to turn, or what has to be freed first. Degrees are signed: + = running direction. */
export type TurnPlan =
  | { readonly kind: 'turn'; readonly deg: number }
  | { readonly kind: 'there' }
  | { readonly kind: 'backFirst'; readonly backDeg: number; readonly thenDeg: number }
  | { readonly kind: 'freeFirst'; readonly reasons: readonly GuardReason[] }
  | { readonly kind: 'placeUnknown' }

/** Closer than this is there: what a degree wheel can show. */
const THERE_DEG = 0.25

/** How to bring the crank to a place of the cycle. It goes the running way, so that the slack stays on its run; a trim that fits
 *  the guard's limit may go either way. It never says more than the guard allows: then it says what to free. */
export function planTurn({
  guard,
  fromDeg,
  toDeg,
  cycleDeg,
  freshApproach,
  neverBack = false,
}: {
  guard: Guard
  fromDeg: number | undefined
  toDeg: number
  cycleDeg: number
  freshApproach?: { readonly stillBackDeg: number } | undefined
  /** It is never turned against its running direction here: gone past, it goes all the way round. */
  neverBack?: boolean
}): TurnPlan {
  const held = guard.reasons.filter(({ verdict }) => verdict !== 'turn')
  if (fromDeg === undefined)
    return guard.verdict === 'turn' ? { kind: 'placeUnknown' } : { kind: 'freeFirst', reasons: held }
  const shortDeg = wrapToSigned(toDeg - fromDeg, cycleDeg)
  if (Math.abs(shortDeg) <= THERE_DEG && !freshApproach) return { kind: 'there' }
  const onwardDeg = Math.abs(shortDeg) <= THERE_DEG ? 0 : wrapToCycle(toDeg - fromDeg, cycleDeg)
  if (guard.verdict === 'turn') {
    // Where only the running way is known to be free, it is come at again by going round.
    if (freshApproach && freshApproach.stillBackDeg > 0 && (guard.onlyRunning || neverBack))
      return { kind: 'turn', deg: onwardDeg === 0 ? cycleDeg : onwardDeg }
    if (freshApproach && freshApproach.stillBackDeg > 0) {
      return {
        kind: 'backFirst',
        backDeg: freshApproach.stillBackDeg,
        thenDeg: wrapToSigned(toDeg - fromDeg, cycleDeg) + freshApproach.stillBackDeg,
      }
    }
    return { kind: 'turn', deg: onwardDeg }
  }
  if (guard.verdict === 'trim' && guard.limit && !guard.limit.until) {
    const { forwardDeg = 0, backDeg = 0 } = guard.limit
    if (shortDeg <= forwardDeg && shortDeg >= -backDeg) return { kind: 'turn', deg: shortDeg }
  }
  return { kind: 'freeFirst', reasons: held }
}
