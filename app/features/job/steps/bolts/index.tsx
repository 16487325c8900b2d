import { stageOf, tighteningOf } from '@link-count/core/fasteners'
import type { Step } from '@link-count/core/runSheet'
import { useBench } from '../../JobContext'
import type { StepView } from '../stepView'
import { BoltWork } from './BoltWork'

function BoltsStep({ step }: { readonly step: Step }) {
  const { sheet } = useBench().view
  const group = sheet.boltGroups?.find(({ id }) => id === step.targetIds[0])
  return group ? <BoltWork step={step} group={group} /> : <p className="soft">They are on the build sheet no more.</p>
}

export const bolts: StepView = {
  Panel: BoltsStep,
  result: ({ targetIds }, { sheet, state }) => {
    const group = sheet.boltGroups?.find(({ id }) => id === targetIds[0])
    return group && stageOf(tighteningOf(group, state)) === 'done' ? `${group.bolts.length} tight` : undefined
  },
}
