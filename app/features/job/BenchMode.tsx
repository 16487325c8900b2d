import { FocusTrap } from '@mantine/core'
import { useEffect, useRef, type RefObject } from 'react'
import { movesOf } from '@link-count/core/drive'
import { readLoop } from '@link-count/core/ledger'
import { partsOf } from '@link-count/core/sheet'
import { nounsOf, stepTitle, verdictTitle } from '../../ui/wording'
import { GuardShape } from '../../ui/GuardShape'
import { useDraft } from '../../ui/fields'
import { countDraftKey, lastRule, ruleDraftKey } from './countKeys'
import { countablesOf, inHandOf, sectionDraftKey } from './countSection'
import type { JobView } from '../../domain/views'
import { useBench } from './JobContext'
import { moveWords } from './moveWords'
import { BoltFigure } from './steps/bolts/BoltFigure'
import { groupInWork } from './steps/bolts/groupsHere'
import { SlackFigure } from './slack/SlackFigure'
import { stepResult } from './steps'
import { askTurn } from './askTurn'
import { targetOfStep } from './turnPlan'
import type { Step } from '@link-count/core/runSheet'
import type { Side } from '@link-count/core/units'
import './BenchMode.css'

/** The one number or instruction needed now, readable from three metres; the screen is kept awake. */
export function BenchMode({ step, onLeave }: { readonly step: Step; readonly onLeave: () => void }) {
  const { view, side } = useBench()
  const chosen = useDraft(sectionDraftKey(view.job.id, step.id, view.state.live))
  const inHand = inHandOf(countablesOf(step, view), chosen.text)
  const count = useDraft(countDraftKey(view.job.id, step.id, inHand?.section.id ?? ''), '0')
  useWakeLock()
  const rule = useDraft(ruleDraftKey(view.job.id), lastRule(view.state.live))
  const n = Math.max(0, Number(count.text) || 0)
  // The same count as on the bench: from nothing on, until it is written.
  const counting = inHand !== undefined && !inHand.section.cannotTell && rule.text !== '' && (!inHand.written || n > 0)
  const add = (by: 1 | -1) => count.setText(String(Math.max(0, n + by)))
  const self = useRef<HTMLDivElement>(null)
  useAloneOnScreen(self)
  const target = targetOfStep(step, view)
  const slackOf = step.kind === 'slackFound' ? 'found' : step.kind === 'slackSet' ? 'set' : undefined
  const bolts = groupInWork(step, view)
  const status = view.steps.find((one) => one.step === step)?.status
  const move = firstMove(step, view, side)
  const said = move ?? (target ? askTurn({ to: target }, view, side).words : undefined)
  return (
    <FocusTrap active>
      <div
        ref={self}
        className="bench-mode"
        role="dialog"
        aria-label="Bench mode"
        aria-modal="true"
        onKeyDown={(event) => {
          if (!counting || event.key !== 'Backspace') return
          event.preventDefault()
          add(-1)
        }}
      >
        <p className="bench-mode-step">{stepTitle(step, view.sheet)}</p>
        {counting ? (
          <button
            type="button"
            className="bench-mode-number reading"
            onClick={() => add(1)}
            data-autofocus
            aria-label={`${n} counted. Touch for each ${nounsOf(inHand.loop).counted.one}`}
          >
            {n}
          </button>
        ) : bolts ? (
          <BoltFigure step={step} group={bolts} />
        ) : slackOf ? (
          <SlackFigure phase={slackOf} />
        ) : (
          <p className="bench-mode-words">{said ?? (status ? stepResult(step, status, view) : undefined) ?? ''}</p>
        )}
        <p className="bench-mode-guard">
          <GuardShape verdict={view.guard.verdict} size={56} /> {verdictTitle(view.guard)}
        </p>
        <div className="bench-mode-ways">
          {counting && (
            <button type="button" className="bench-mode-leave" onClick={() => add(-1)} disabled={n === 0}>
              Take one back
            </button>
          )}
          <button
            type="button"
            className="bench-mode-leave"
            onClick={onLeave}
            data-autofocus={counting ? undefined : true}
          >
            Leave bench mode
          </button>
        </div>
      </div>
    </FocusTrap>
  )
}

/** The first move that the counts of the step shown ask for. */
function firstMove(step: Step, { state, sheet }: JobView, side: Side): string | undefined {
  const loop = step.kind === 'chainOnCount' ? partsOf(sheet).loop(step.targetIds[0]) : undefined
  if (!loop) return undefined
  const { sections, found, lateness } = readLoop(sheet, loop, state.counts, 'set', state.seats)
  const move = movesOf(sections, lateness, found).moves.find(({ layTeeth }) => layTeeth !== 0)
  return move && moveWords(move, loop, sheet, side)
}

/** Nothing beside it can be reached while it stands: not by Tab and not by a screen reader. */
function useAloneOnScreen(self: RefObject<HTMLDivElement | null>): void {
  useEffect(() => {
    const beside = [...(self.current?.parentElement?.children ?? [])].filter((one) => one !== self.current)
    for (const one of beside) one.setAttribute('inert', '')
    return () => {
      for (const one of beside) one.removeAttribute('inert')
    }
  }, [self])
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
