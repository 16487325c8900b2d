import { hiddenMarks, type JobState, type Stand } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import { cautionsFor } from '../runSheet/cautions'
import { camshaftVerdict, driveReasons } from './drive'
import { severity, worst, type Guard, type GuardReason } from './guard'
import { headReasons } from './heads'
import { registerReasons } from './register'
import { tensionerReasons } from './tensioners'

/** Whether the engine may be turned now, how far, and why not: by how it stands over all of its jobs, and by what was made safe in this one.
 *  Interference that is not known counts as yes; what is not known is never turned into "turn". Of several limits the smallest holds.
 *  Source: handbook 13; the trim figure is the build sheet's. */
export function judgeGuard(
  sheet: BuildSheet,
  state: Pick<JobState, 'stand' | 'ticked' | 'closed'> & Partial<Pick<JobState, 'kept'>>,
): Guard {
  const { stand } = state
  const reasons = [
    ...makeSafe(sheet, state),
    ...lostReasons(stand),
    ...rivalReasons(stand),
    ...registerReasons(sheet, stand),
    ...headReasons(sheet, stand),
    ...driveReasons(sheet, stand, hiddenMarks({ kept: state.kept ?? {} })),
    ...tensionerReasons(sheet, stand),
    ...crankReasons(stand),
  ].sort((a, b) => severity[b.verdict] - severity[a.verdict])
  const verdict = worst(reasons.map((reason) => reason.verdict))
  return {
    verdict,
    limit: verdict === 'trim' ? limitOf(reasons) : undefined,
    onlyRunning: reasons.some(({ code }) => code === 'camshaftReadsOutRanSo'),
    reasons,
    camshafts: camshaftVerdict(sheet, stand),
  }
}

function limitOf(reasons: readonly GuardReason[]): Guard['limit'] {
  const rooms = reasons.flatMap(({ room }) => room ?? [])
  const untils = reasons.flatMap(({ until }) => until ?? [])
  return {
    until: untils.includes('stop') ? 'stop' : untils[0],
    ...(rooms.length > 0
      ? {
          forwardDeg: Math.min(...rooms.map(({ forwardDeg }) => forwardDeg)),
          backDeg: Math.min(...rooms.map(({ backDeg }) => backDeg)),
        }
      : {}),
  }
}

/** Making safe is of one job and never carries over: a signed job is not made safe any more. */
function makeSafe(sheet: BuildSheet, { ticked, closed }: Pick<JobState, 'ticked' | 'closed'>): GuardReason[] {
  if (closed) return [{ code: 'jobClosed', verdict: 'doNotTurn', targetId: closed.id }]
  const open = cautionsFor(sheet).find(({ id, gate }) => gate && !ticked.has(id))
  return open ? [{ code: 'makeSafeNotDone', verdict: 'doNotTurn', targetId: open.id }] : []
}

/** What a job that was lost may have left inside, held or out: nobody knows before somebody has looked. */
const lostReasons = ({ lost }: Stand): GuardReason[] =>
  lost.map(({ jobId, number, why }) => ({
    code: 'jobLost',
    verdict: 'unknown',
    targetId: jobId,
    lost: { number, why },
  }))

/** Two build sheets of one number, and nobody has said which is right: what differs between them is not known. */
const rivalReasons = ({ rivals }: Stand): GuardReason[] =>
  rivals ? [{ code: 'sheetsDisagree', verdict: 'unknown', targetId: rivals.sheetIds[0] ?? '' }] : []

/** Where the crank stands holds nothing by itself; it is told, because every sentence that brings it somewhere waits for it. */
function crankReasons({ rotation, disputes }: Stand): GuardReason[] {
  const twoWays = disputes.find(({ about }) => about === 'crank')
  return [
    ...(twoWays ? [{ code: 'crankSaidTwoWays', verdict: 'turn', targetId: 'crank' } as const] : []),
    ...(rotation.contradicted
      ? [{ code: 'placeContradicted', verdict: 'turn', targetId: rotation.contradicted.entryId } as const]
      : []),
  ]
}
