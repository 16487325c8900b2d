import type { Guard, GuardReason, GuardReasonCode, GuardVerdict } from '@link-count/core/guard'
import type { BuildSheet } from '@link-count/core/model'
import { PART_IDS as ids } from '@link-count/core/starters'
import { GuardShape } from '../ui/GuardShape'
import { guardSentence, guardShort, reasonWords, verdictTitle } from '../ui/wording'
import { Part, Shelf } from './Parts'

const item = {
  itemId: 'x',
  item: 'rag',
  where: 'plug hole 1',
  since: '',
  entryId: 'e',
  jobId: 'j',
  totalDeg: 0,
  of: undefined,
} as const
const out = { latenessDeg: 22, safeDeg: 12, safeIsUsual: true as const }

/** One of each reason: what a new one is missing here does not compile. */
const reasons: {
  readonly [K in GuardReasonCode]: Omit<GuardReason, 'code' | 'targetId'> & { readonly targetId?: string }
} = {
  makeSafeNotDone: { verdict: 'doNotTurn' },
  jobClosed: { verdict: 'doNotTurn' },
  stopIn: { verdict: 'trim', until: 'stop', item: { ...item, item: 'stop', where: '' } },
  rodIn: { verdict: 'trim', until: 'reading', item: { ...item, item: 'dialRod', where: '' } },
  lockIn: { verdict: 'doNotTurn', item: { ...item, item: 'lock', where: 'camshaft' } },
  capsLoose: { verdict: 'doNotTurn', item: { ...item, item: 'capsLoose', where: '' } },
  itemIn: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 }, item },
  itemSaidTwoWays: { verdict: 'unknown', item },
  linersNotClamped: { verdict: 'doNotTurn', targetId: 'bank' },
  loopHangs: { verdict: 'doNotTurn', targetId: ids.chain },
  loopOff: { verdict: 'trim', room: { forwardDeg: 3, backDeg: 5 }, targetId: ids.chain },
  loopOffAwayFromPose: { verdict: 'doNotTurn', targetId: ids.chain },
  loopOffPlaceUnknown: { verdict: 'unknown', targetId: ids.chain },
  loopOffLookAgain: { verdict: 'unknown', targetId: ids.chain },
  loopOffFree: { verdict: 'turn', targetId: ids.chain },
  loopSaidTwoWays: { verdict: 'unknown', targetId: ids.chain },
  loopNewOnSheet: { verdict: 'unknown', targetId: ids.chain },
  loopJobLost: { verdict: 'unknown', targetId: ids.chain },
  loopNotCounted: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 }, targetId: ids.chain },
  loopCountedOut: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 }, targetId: ids.chain },
  couplingApart: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 } },
  couplingApartAwayFromPose: { verdict: 'doNotTurn' },
  couplingApartPlaceUnknown: { verdict: 'unknown' },
  couplingApartLookAgain: { verdict: 'unknown' },
  couplingApartFree: { verdict: 'turn' },
  couplingSaidTwoWays: { verdict: 'unknown' },
  couplingNewOnSheet: { verdict: 'unknown' },
  couplingJobLost: { verdict: 'unknown' },
  couplingNotRead: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 } },
  camshaftReadsOut: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 }, targetId: ids.cam, ...out },
  camshaftReadsOutRanSo: { verdict: 'turn', targetId: ids.cam, ...out },
  camshaftHeld: { verdict: 'doNotTurn', targetId: ids.cam },
  camshaftSaidTwoWays: { verdict: 'unknown', targetId: ids.cam },
  tensionerNotReleased: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 }, targetId: ids.tensioner },
  tensionerLoose: { verdict: 'trim', room: { forwardDeg: 4, backDeg: 4 }, targetId: ids.tensioner },
  tensionerSpringOnly: { verdict: 'turn', targetId: ids.tensioner },
  tensionerNotSaid: { verdict: 'unknown', targetId: ids.tensioner },
  jobLost: { verdict: 'unknown', lost: { number: 2, why: 'removed' } },
  sheetsDisagree: { verdict: 'unknown' },
  crankSaidTwoWays: { verdict: 'unknown' },
  placeContradicted: { verdict: 'unknown' },
}
const codes = Object.keys(reasons) as GuardReasonCode[]
const verdicts: readonly GuardVerdict[] = ['turn', 'trim', 'doNotTurn', 'unknown']

/** The guard as one reason alone would have it. */
function guardOf(code: GuardReasonCode): Guard {
  const reason: GuardReason = { targetId: '', code, ...reasons[code] }
  const { verdict, room, until } = reason
  const limit = verdict === 'trim' ? { ...room, until } : undefined
  return { verdict, reasons: [reason], limit, onlyRunning: code === 'camshaftReadsOutRanSo', camshafts: verdict }
}

const Bar = ({ guard, sheet }: { readonly guard: Guard; readonly sheet: BuildSheet }) => (
  <footer className={`guard guard-${guard.verdict}`}>
    <button type="button" className="guard-main">
      <GuardShape verdict={guard.verdict} />
      <strong>{verdictTitle(guard)}</strong>
      <span className="guard-why wide">{guardSentence(guard, sheet)}</span>
      <span className="guard-why narrow">{guardShort(guard, sheet)}</span>
    </button>
  </footer>
)

export const GuardParts = ({ sheet }: { readonly sheet: BuildSheet }) => (
  <>
    <Shelf title="Shapes of the guard">
      {verdicts.map((verdict) => (
        <Part key={verdict} name={verdict}>
          <GuardShape verdict={verdict} />
        </Part>
      ))}
    </Shelf>
    <section>
      <h2>The guard, for every reason it can have</h2>
      {codes.map((code) => {
        const guard = guardOf(code)
        const [reason] = guard.reasons
        const words = reason && reasonWords(reason, sheet)
        return (
          <Part key={code} name={`${code}: ${words?.why ?? ''}. ${words?.free ?? ''}`}>
            <Bar guard={guard} sheet={sheet} />
          </Part>
        )
      })}
    </section>
  </>
)
