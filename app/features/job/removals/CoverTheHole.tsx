import { Button } from '@mantine/core'
import { nanoid } from 'nanoid'
import type { ItemKind } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { itemSentence, itemWords } from '../../../ui/wording'
import { useBench } from '../JobContext'

const COVERS: readonly ItemKind[] = ['rag', 'towel', 'tie', 'magnet']

/** Before something is undone above an open hole: what keeps it from dropping in, on the register until it is out. */
export function CoverTheHole({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const covers = view.state.register.filter(({ item }) => COVERS.includes(item))
  return (
    <div className={covers.length === 0 ? 'warn' : 'result'} role="group" aria-label="What covers the hole">
      {covers.length === 0 ? (
        <p>Nothing covers it: what drops there is inside the engine. Put something in first, and take it out again.</p>
      ) : (
        <p>{covers.map((item) => itemSentence(item, view.sheet)).join(', ')}.</p>
      )}
      <div className="row">
        {COVERS.map((item) => (
          <Button
            key={item}
            variant="default"
            onClick={() =>
              void say({ kind: 'item', itemId: nanoid(), item, where: 'open hole', change: 'in', stepId: step.id })
            }
          >
            {itemWords[item].name} {itemWords[item].in}
          </Button>
        ))}
      </div>
    </div>
  )
}
