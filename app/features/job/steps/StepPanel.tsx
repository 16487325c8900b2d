import type { Step, StepStatus } from '@link-count/core/runSheet'
import { FieldGroup } from '../../../ui/fields'
import { hindranceWords, stepTitle } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { Closing } from '../closing/Closing'
import { StepPictures } from '../pictures/StepPictures'
import { GettingBack } from '../removals/GettingBack'
import { WaitsHere } from '../waits/WaitsHere'
import { stepViews } from '.'
import { BoltsHere } from './bolts/BoltsHere'
import { StepFooter } from './StepFooter'
import './StepPanel.css'

export function StepPanel({ step, status }: { readonly step: Step; readonly status: StepStatus }) {
  const { view } = useBench()
  const { Panel } = stepViews[step.kind]
  return (
    <section className="step-panel" aria-labelledby="step-title">
      <h2 id="step-title" tabIndex={-1}>
        {stepTitle(step, view.sheet)}
      </h2>
      <WaitsHere />
      {status.hindrance ? (
        <p>{hindranceWords(status.hindrance, view.sheet)}</p>
      ) : (
        <FieldGroup>
          {step.kind === 'card' && <GettingBack step={step} />}
          {step.kind === 'card' && <BoltsHere key={`bolts-${step.id}`} step={step} />}
          {step.kind === 'card' && <Closing step={step} />}
          <Panel key={step.id} step={step} />
          {step.kind !== 'card' && <BoltsHere key={`bolts-${step.id}`} step={step} />}
        </FieldGroup>
      )}
      <StepPictures key={`pictures-${step.id}`} step={step} />
      {step.kind !== 'card' && <StepFooter key={step.id} step={step} status={status} />}
    </section>
  )
}
