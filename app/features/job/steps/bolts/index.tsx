import { stageOf, tighteningOf } from '@link-count/core/fasteners'
import type { Step } from '@link-count/core/runSheet'
import { boltName } from '../../../../ui/wording'
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
    if (!group) return undefined
    const tightening = tighteningOf(group, state)
    const stage = stageOf(tightening)
    if (stage === 'done') return `${group.bolts.length} tight`
    if (stage === 'inWork' && tightening.next)
      return `${boltName(group, tightening.next.bolt.id)} is next, stage ${tightening.next.pass + 1} of ${tightening.passes.length}`
    return tightening.lastId === undefined ? undefined : 'loosened'
  },
}
