import { Button } from '@mantine/core'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { nounsOfAll, schoolAnswer } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** Fitted held back, released, and felt to push. */
export function TensionerStep({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const memberId = step.targetIds[0] ?? ''
  const at = state.tensioners[memberId] ?? 'out'
  const name = partsOf(sheet).member(memberId)?.name ?? 'Tensioner'
  const pin = state.register.find(({ item, itemId }) => item === 'tensionerPin' && itemId === `pin-${memberId}`)
  const set = (next: 'fitted' | 'released' | 'proven') =>
    ({ kind: 'tensioner', memberId, state: next, stepId: step.id }) as const
  return (
    <div className="stack">
      <p className="soft">
        Judged here by {schoolAnswer('tensionBy', view.schools.tensionBy)?.name}:{' '}
        {lowerFirst(schoolAnswer('tensionBy', view.schools.tensionBy)?.why ?? '')}
      </p>
      <p className="caution">
        Springs fly. Fitted extended it strips its threads; left unreleased the {nounsOfAll(sheet.loops).loop} jumps.
      </p>
      {(at === 'out' || at === 'heldBack' || at === 'asArrived') && (
        <Button variant="filled" onClick={() => void say(set('fitted'))}>
          {name} is fitted, seated, held back
        </Button>
      )}
      {at === 'fitted' && (
        <Button
          variant="filled"
          onClick={() =>
            void say([
              ...(pin
                ? [
                    {
                      kind: 'item',
                      itemId: pin.itemId,
                      item: pin.item,
                      where: pin.where,
                      change: 'out',
                      stepId: step.id,
                    } as const,
                  ]
                : []),
              set('released'),
            ])
          }
        >
          {pin ? 'Pin is out: heard or felt it go' : 'Released: heard or felt it go'}
        </Button>
      )}
      {at === 'released' && (
        <Button variant="default" onClick={() => void say(set('proven'))}>
          Pushed the run against it: it gives and comes back
        </Button>
      )}
      {(at === 'released' || at === 'proven') && (
        <p className="result">
          Released{at === 'proven' ? ', ' : '.'} {at === 'proven' && <span className="proved">proved by feel</span>}
        </p>
      )}
    </div>
  )
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
