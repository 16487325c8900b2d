import type { Step, StepStatus } from '@link-count/core/runSheet'
import { Pin, pinWords } from '../../ui/ChainProgress'
import { pinState } from '../../ui/pinState'
import { stepTitle } from '../../ui/wording'
import { useBench } from './JobContext'
import { stepResult } from './steps'
import './SheetList.css'

/** The steps as a length of chain, each folded to its result. */
export function SheetList({
  steps,
  shown,
}: {
  readonly steps: readonly { step: Step; status: StepStatus }[]
  readonly shown: Step | undefined
}) {
  const { view, showStep } = useBench()
  return (
    <ol className="sheet-list">
      {steps.map(({ step, status }) => {
        const state = pinState(status, step === view.inHand)
        return (
          <li key={step.id}>
            <button
              type="button"
              className="sheet-step"
              aria-current={step === shown ? 'step' : undefined}
              onClick={() => showStep(step.id)}
            >
              <Pin state={state} />
              <span className="sheet-step-title">{stepTitle(step, view.sheet)}</span>
              <span className="sheet-step-result reading">{stepResult(step, status, view)}</span>
              <span className="unseen">{pinWords[state]}</span>
            </button>
          </li>
        )
      })}
    </ol>
  )
}
