import { isReleased, type JobState, type RegisterItem } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import { cautionsFor } from '../runSheet/cautions'

export type GuardVerdict = 'turn' | 'trim' | 'doNotTurn' | 'unknown'

export type GuardReasonCode =
  | 'makeSafeNotDone'
  | 'stopIn'
  | 'rodIn'
  | 'lockIn'
  | 'capsLoose'
  | 'loopOff'
  | 'loopOffAwayFromPose'
  | 'loopOffPlaceUnknown'
  | 'loopOffTrimUsed'
  | 'loopOffFree'
  | 'tensionerNotReleased'
  | 'loopNotCounted'
  | 'loopCountedOut'
  | 'couplingApart'
  | 'couplingApartAwayFromPose'
  | 'couplingApartPlaceUnknown'
  | 'couplingApartTrimUsed'
  | 'couplingApartFree'
  | 'couplingNotRead'
  | 'itemIn'

export interface GuardReason {
  readonly code: GuardReasonCode
  readonly verdict: GuardVerdict
  readonly targetId: string
  readonly item?: RegisterItem
}

export interface Guard {
  readonly verdict: GuardVerdict
  /** For a trim: how far the crank may still go each way, degrees; `stop` = gently, as far as the stop; `reading` = gently, for the
   *  reading itself. */
  readonly limit:
    | { readonly kind: 'degrees'; readonly forwardDeg: number; readonly backDeg: number }
    | { readonly kind: 'stop' }
    | { readonly kind: 'reading' }
    | undefined
  /** What holds it back, the worst first; freeing all of the first verdict's reasons lifts it. */
  readonly reasons: readonly GuardReason[]
  /** Shafts other than the crank: with the loop off and the valves not relieved a camshaft is trimmed with care only. */
  readonly camshafts: GuardVerdict
}

/** A usual figure where the build sheet has none (handbook 13, common practice, no source). */
export const USUAL_TRIM_DEG = 4

const severity: Record<GuardVerdict, number> = { turn: 0, trim: 1, unknown: 2, doNotTurn: 3 }
const worst = (verdicts: readonly GuardVerdict[]) =>
  verdicts.reduce<GuardVerdict>((bad, verdict) => (severity[verdict] > severity[bad] ? verdict : bad), 'turn')

/** Whether the engine may be turned now, how far, and why not. Interference that is not known counts as yes; what is not known
 *  is never turned into "turn". Source: handbook 13; the trim figure is the build sheet's. */
export function judgeGuard(sheet: BuildSheet, state: JobState): Guard {
  const trimDeg = sheet.trimDeg?.value ?? USUAL_TRIM_DEG
  const reasons = [
    ...makeSafe(sheet, state),
    ...register(state),
    ...loops(sheet, state, trimDeg),
    ...couplings(sheet, state, trimDeg),
    ...tensioners(sheet, state),
  ].sort((a, b) => severity[b.verdict] - severity[a.verdict])
  const verdict = worst(reasons.map((reason) => reason.verdict))
  const has = (code: GuardReasonCode) => reasons.some((reason) => reason.code === code)
  const offBy =
    Object.values(state.loops).find(({ on }) => !on)?.turnedOffDeg ??
    Object.values(state.couplings).find(({ together }) => !together)?.turnedApartDeg ??
    0
  const degrees = {
    kind: 'degrees',
    forwardDeg: Math.max(0, trimDeg - offBy),
    backDeg: Math.max(0, trimDeg + offBy),
  } as const
  return {
    verdict,
    limit:
      verdict !== 'trim' ? undefined : has('stopIn') ? { kind: 'stop' } : has('rodIn') ? { kind: 'reading' } : degrees,
    reasons,
    camshafts: camshafts(sheet, state),
  }
}

function makeSafe(sheet: BuildSheet, state: JobState): GuardReason[] {
  const open = cautionsFor(sheet).find(({ id, gate }) => gate && !state.ticked.has(id))
  return open ? [{ code: 'makeSafeNotDone', verdict: 'doNotTurn', targetId: open.id }] : []
}

const codeOfItem = {
  stop: 'stopIn',
  dialRod: 'rodIn',
  probe: 'rodIn',
  lockingPin: 'lockIn',
  lock: 'lockIn',
  capsLoose: 'capsLoose',
} as const
const verdictOfItem: Record<RegisterItem['item'], GuardVerdict> = {
  stop: 'trim',
  dialRod: 'trim',
  probe: 'trim',
  lockingPin: 'doNotTurn',
  lock: 'doNotTurn',
  capsLoose: 'doNotTurn',
  tensionerPin: 'trim',
  rag: 'trim',
  tie: 'trim',
  fingerTight: 'trim',
  tabsNotBent: 'turn',
  valvesRelieved: 'turn',
  other: 'trim',
}

const register = (state: JobState): GuardReason[] =>
  state.register.map((item) => ({
    code: item.item in codeOfItem ? codeOfItem[item.item as keyof typeof codeOfItem] : 'itemIn',
    verdict: verdictOfItem[item.item],
    targetId: item.itemId,
    item,
  }))

const mayCollide = (sheet: BuildSheet, state: JobState) =>
  sheet.interference.value !== 'no' && !state.register.some(({ item }) => item === 'valvesRelieved')

function loops(sheet: BuildSheet, state: JobState, trimDeg: number): GuardReason[] {
  const collide = mayCollide(sheet, state)
  return sheet.loops.flatMap(({ id }): GuardReason[] => {
    const loop = state.loops[id]
    if (!loop) return []
    const reason = (code: GuardReasonCode, verdict: GuardVerdict): GuardReason[] => [{ code, verdict, targetId: id }]
    if (!loop.on) {
      if (!collide) return reason('loopOffFree', 'turn')
      if (Math.abs(loop.turnedOffDeg) > trimDeg) return reason('loopOffTrimUsed', 'doNotTurn')
      if (loop.offAt === 'unknown') return reason('loopOffPlaceUnknown', 'unknown')
      return loop.offAt === 'pose' ? reason('loopOff', 'trim') : reason('loopOffAwayFromPose', 'doNotTurn')
    }
    if (!collide) return []
    if (loop.proof === 'countedOut') return reason('loopCountedOut', 'trim')
    if (loop.proof === 'notCounted') return reason('loopNotCounted', 'trim')
    return []
  })
}

/** A coupling drawn apart leaves the camshafts behind it as free as a loop off does. */
function couplings(sheet: BuildSheet, state: JobState, trimDeg: number): GuardReason[] {
  const collide = mayCollide(sheet, state)
  return Object.entries(state.couplings).flatMap(
    ([id, { together, turnedApartDeg, apartAt, proof }]): GuardReason[] => {
      const reason = (code: GuardReasonCode, verdict: GuardVerdict): GuardReason[] => [{ code, verdict, targetId: id }]
      if (together) return collide && proof === 'notRead' ? reason('couplingNotRead', 'trim') : []
      if (!collide) return reason('couplingApartFree', 'turn')
      if (Math.abs(turnedApartDeg) > trimDeg) return reason('couplingApartTrimUsed', 'doNotTurn')
      if (apartAt === 'unknown') return reason('couplingApartPlaceUnknown', 'unknown')
      return apartAt === 'pose' ? reason('couplingApart', 'trim') : reason('couplingApartAwayFromPose', 'doNotTurn')
    },
  )
}

function tensioners(sheet: BuildSheet, state: JobState): GuardReason[] {
  if (sheet.loops.every(({ id }) => state.loops[id]?.on === false)) return []
  return sheet.members
    .filter(({ kind, id }) => kind === 'tensioner' && !isReleased(state.tensioners[id] ?? 'out'))
    .map(({ id }) => ({ code: 'tensionerNotReleased', verdict: 'trim', targetId: id }))
}

function camshafts(sheet: BuildSheet, state: JobState): GuardVerdict {
  if (state.register.some(({ item }) => item === 'lock' || item === 'lockingPin' || item === 'capsLoose'))
    return 'doNotTurn'
  const loopsOff = Object.values(state.loops).filter(({ on }) => !on)
  const apart = Object.values(state.couplings).filter(({ together }) => !together)
  if (loopsOff.length + apart.length === 0) return worst(judgeLoopsOn(sheet, state))
  if (!mayCollide(sheet, state)) return 'turn'
  const atPose = loopsOff.every(({ offAt }) => offAt === 'pose') && apart.every(({ apartAt }) => apartAt === 'pose')
  return atPose ? 'trim' : 'unknown'
}

const judgeLoopsOn = (sheet: BuildSheet, state: JobState) =>
  [...loops(sheet, state, USUAL_TRIM_DEG), ...couplings(sheet, state, USUAL_TRIM_DEG), ...tensioners(sheet, state)].map(
    ({ verdict }) => verdict,
  )
