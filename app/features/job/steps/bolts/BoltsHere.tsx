import { stageOf, tighteningOf } from '@link-count/core/fasteners'
import type { BoltGroup } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../../ui/Fold'
import { useBench } from '../../JobContext'
import { groupsHere } from './groupsHere'
import { BoltWork } from './BoltWork'

/** The bolts that belong to a step; at the card every one that is on the build sheet. */
export function BoltsHere({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const { state } = view
  const groups = step.kind === 'bolts' ? [] : groupsHere(step, view)
  return groups.map((group) => {
    const tightening = tighteningOf(group, state)
    return (
      <Fold
        key={group.id}
        title={group.name}
        note={stageNote(group, stageOf(tightening))}
        open={tightening.lastId !== undefined}
      >
        <BoltWork step={step} group={group} />
      </Fold>
    )
  })
}

const stageNote = ({ bolts }: BoltGroup, stage: ReturnType<typeof stageOf>) =>
  stage === 'done' ? 'tight' : stage === 'inWork' ? 'not through' : `${bolts.length}, not begun`
