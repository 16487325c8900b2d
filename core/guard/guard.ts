import type { RegisterItem } from '../ledger'
import type { Wanted } from './wanted'

export type GuardVerdict = 'turn' | 'trim' | 'doNotTurn' | 'unknown'

export type GuardReasonCode =
  | 'makeSafeNotDone'
  | 'jobClosed'
  | 'stopIn'
  | 'rodIn'
  | 'lockIn'
  | 'capsLoose'
  | 'itemIn'
  | 'itemSaidTwoWays'
  | 'linersNotClamped'
  | 'loopHangs'
  | 'loopOff'
  | 'loopOffAwayFromPose'
  | 'loopOffPlaceUnknown'
  | 'loopOffLookAgain'
  | 'loopOffFree'
  | 'loopSaidTwoWays'
  | 'loopNewOnSheet'
  | 'loopJobLost'
  | 'loopNotCounted'
  | 'loopCountedOut'
  | 'couplingApart'
  | 'couplingApartAwayFromPose'
  | 'couplingApartPlaceUnknown'
  | 'couplingApartLookAgain'
  | 'couplingApartFree'
  | 'couplingSaidTwoWays'
  | 'couplingNewOnSheet'
  | 'couplingJobLost'
  | 'couplingNotRead'
  | 'camshaftReadsOut'
  | 'camshaftReadsOutRanSo'
  | 'camshaftHeld'
  | 'camshaftSaidTwoWays'
  | 'tensionerNotReleased'
  | 'tensionerLoose'
  | 'tensionerSpringOnly'
  | 'tensionerNotSaid'
  | 'jobLost'
  | 'sheetsDisagree'
  | 'crankSaidTwoWays'
  | 'placeContradicted'

/** How far the crank may still be turned each way, degrees. */
export interface Room {
  readonly forwardDeg: number
  readonly backDeg: number
}

export interface GuardReason {
  readonly code: GuardReasonCode
  readonly verdict: GuardVerdict
  readonly targetId: string
  readonly item?: RegisterItem
  /** Of a trim: what is left of it. */
  readonly room?: Room
  /** It would be a trim, and the crank is turned out of it already, or where it stands to it is not known. */
  readonly trim?: 'used' | 'unknown'
  /** Gently, as far as the stop; or gently, for the reading itself. */
  readonly until?: 'stop' | 'reading'
  /** Of a camshaft that reads out: by how much, late is plus, and how far out is safe; crank degrees. */
  readonly latenessDeg?: number
  readonly safeDeg?: number
  /** The sheet has no figure of its own for that: one tooth, or 20° (ours). */
  readonly safeIsUsual?: true
  /** Of a camshaft that reads out: another reading of the same thing contradicts it. */
  readonly disagrees?: true
  /** Of a job that was lost: its number, and whether it was taken out or cannot be read. */
  readonly lost?: { readonly number: number; readonly why: 'removed' | 'unreadable' }
  /** Of a loop or coupling that is not proved: what would prove it. */
  readonly wanted?: readonly Wanted[]
  /** The last name of a part that is no longer on the build sheet. */
  readonly vanished?: string
}

export interface Guard {
  readonly verdict: GuardVerdict
  /** Of a trim: the smallest room that anything leaves, undefined where nothing limits the degrees; and what it goes gently onto. */
  readonly limit: (Partial<Room> & { readonly until: 'stop' | 'reading' | undefined }) | undefined
  /** It may be turned, but only the way it runs: it reads out, and ran so. */
  readonly onlyRunning: boolean
  /** What holds it back, the worst first, and what is only told; freeing all of the first verdict's reasons lifts it. */
  readonly reasons: readonly GuardReason[]
  /** Shafts other than the crank: with the loop off and the valves not relieved a camshaft is trimmed with care only. */
  readonly camshafts: GuardVerdict
}

export const severity: Record<GuardVerdict, number> = { turn: 0, trim: 1, unknown: 2, doNotTurn: 3 }

export const worst = (verdicts: readonly GuardVerdict[]) =>
  verdicts.reduce<GuardVerdict>((bad, verdict) => (severity[verdict] > severity[bad] ? verdict : bad), 'turn')
