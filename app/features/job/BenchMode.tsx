import { useEffect } from 'react'
import { verdictOfCount } from '@link-count/core/ledger'
import { stepTitles } from '../../ui/wording'
import { verdictTitle } from '../../ui/wording'
import { GuardShape } from '../../ui/GuardShape'
import { useDraft } from '../../ui/fields'
import { countDraftKey } from './countKeys'
import type { JobView } from '../../domain/views'
import { useBench } from './JobContext'
import { moveWords } from './moveWords'
import { stepResult } from './stepResult'
import { planTo, planWords, targetOfStep } from './turnPlan'
import type { Step } from '@link-count/core/runSheet'

/** The one number or instruction needed now, readable from three metres; the screen is kept awake. */
export function BenchMode({
  step,
  counting,
  onLeave,
}: {
  readonly step: Step
  readonly counting: boolean
  readonly onLeave: () => void
}) {
  const { view, side } = useBench()
  const count = useDraft(countDraftKey(view.job.id, step.id), '0')
  useWakeLock()
  const n = Number(count.text) || 0
  const target = targetOfStep(step, view)
  const status = view.steps.find((one) => one.step === step)?.status
  const verdict = countOf(step, view)
  const move = verdict && verdict.pitchesOut !== 0 ? moveWords(verdict.layTeeth, view.sheet, side) : undefined
  const said = move ?? (target ? planWords(planTo(view, target.deg), target, view, side) : undefined)
  return (
    <div className="bench-mode" role="dialog" aria-label="Bench mode" aria-modal="true">
      <p className="bench-mode-step">{stepTitles[step.kind]}</p>
      {counting ? (
        <button
          type="button"
          className="bench-mode-number reading"
          onClick={() => count.setText(String(n + 1))}
          autoFocus
          aria-label={`${n} counted. Touch for each pin`}
        >
          {n}
        </button>
      ) : (
        <p className="bench-mode-words">{said ?? (status ? stepResult(step, status, view) : undefined) ?? ''}</p>
      )}
      <p className="bench-mode-guard">
        <GuardShape verdict={view.guard.verdict} size={56} /> {verdictTitle(view.guard)}
      </p>
      <button type="button" className="bench-mode-leave" onClick={onLeave} autoFocus={!counting}>
        Leave bench mode
      </button>
    </div>
  )
}

/** The verdict on the count of the step shown, once it is written. */
function countOf(step: Step, { state, sheet }: JobView) {
  const count = step.kind === 'chainOnCount' ? state.counts.findLast(({ phase }) => phase === 'set') : undefined
  return count && verdictOfCount(sheet, count)
}

function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined
    let gone = false
    // A browser that cannot, or will not on a low battery, leaves the screen to sleep: nothing else depends on it.
    navigator.wakeLock
      ?.request('screen')
      .then((held) => {
        if (gone) void held.release()
        else lock = held
      })
      .catch(() => undefined)
    return () => {
      gone = true
      void lock?.release()
    }
  }, [])
}
