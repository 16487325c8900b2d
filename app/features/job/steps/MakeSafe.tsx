import { Checkbox } from '@mantine/core'
import { cautionsFor, type Step } from '@link-count/core/runSheet'
import { cautionWords } from '../../../ui/wording'
import { useBench } from '../JobContext'

export function MakeSafe({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  return (
    <div className="ticks">
      {cautionsFor(view.sheet).map(({ id }) => (
        <Checkbox
          key={id}
          size="md"
          label={cautionWords[id]}
          checked={view.state.ticked.has(id)}
          onChange={(event) =>
            void say({ kind: 'tick', cautionId: id, ticked: event.currentTarget.checked, stepId: step.id })
          }
        />
      ))}
    </div>
  )
}
