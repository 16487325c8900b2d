import type { Step, StepKind, StepStatus } from '@link-count/core/runSheet'
import { hindranceWords, stepTitle } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { AsFound } from './AsFound'
import { CardStep } from './CardStep'
import { ChainOnCount } from './ChainOnCount'
import { Lash } from './Lash'
import { MakeSafe } from './MakeSafe'
import { PoseChainOff } from './PoseChainOff'
import { SetCam } from './SetCam'
import { StepFooter } from './StepFooter'
import { TensionerStep } from './TensionerStep'
import { TwoTurns } from './TwoTurns'
import { WhichTdc } from './WhichTdc'
import { TrueTdc } from './zero/TrueTdc'

/** One screen per kind of step; a new kind is one line here. */
const panels: Record<StepKind, (props: { readonly step: Step }) => React.ReactNode> = {
  makeSafe: MakeSafe,
  lashFound: ({ step }) => <Lash step={step} phase="found" />,
  trueTdc: TrueTdc,
  whichTdc: WhichTdc,
  asFound: AsFound,
  poseChainOff: PoseChainOff,
  setCam: SetCam,
  chainOnCount: ChainOnCount,
  tensioner: TensionerStep,
  twoTurns: TwoTurns,
  lashLeft: ({ step }) => <Lash step={step} phase="left" />,
  card: CardStep,
}

export function StepPanel({ step, status }: { readonly step: Step; readonly status: StepStatus }) {
  const { view } = useBench()
  const Panel = panels[step.kind]
  return (
    <section className="step-panel" aria-labelledby="step-title">
      <h2 id="step-title" tabIndex={-1}>
        {stepTitle(step, view.sheet)}
      </h2>
      {status.hindrance ? <p>{hindranceWords[status.hindrance]}</p> : <Panel key={step.id} step={step} />}
      {step.kind !== 'card' && <StepFooter step={step} status={status} />}
    </section>
  )
}
