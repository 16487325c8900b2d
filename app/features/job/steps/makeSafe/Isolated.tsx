import { Button } from '@mantine/core'
import type { BuildSheet, ItemKind } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../../ui/Fold'
import { itemWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** What keeps this kind of engine from being started, or from running on: each is a thing that was shut, blocked or earthed. */
function thingsOf({ starting, fuel, followers, turnsWith }: BuildSheet): readonly ItemKind[] {
  const hasMagneto = followers?.some(({ kind }) => kind === 'magneto') ?? false
  return [
    ...(starting === 'air' ? (['airShut'] as const) : []),
    ...(starting === 'battery' || fuel === 'petrol' ? (['batteryOff'] as const) : []),
    'startBlocked',
    'fuelShut',
    'oilShut',
    'turningGear',
    ...(hasMagneto ? (['magnetoEarthed'] as const) : []),
    ...(turnsWith === undefined || turnsWith.includes('propeller') ? (['propellerHeld'] as const) : []),
  ]
}

/** The tick says that it was made safe in this job; the thing that was shut stands on the register until somebody opens it again, in this job or a later one. */
export function Isolated({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { sheet, state } = view
  const isIn = (item: ItemKind) => state.register.some((one) => one.item === item)
  const things = thingsOf(sheet)
  const n = things.filter(isIn).length
  return (
    <Fold
      title="Shut, blocked, earthed"
      note={n === 0 ? 'nothing on the register' : `${n} on the register`}
      open={n > 0}
    >
      <p className="soft">
        A tick above is for this job only. What you shut stands on the register until you open it again, one thing after
        the other, before it is started.
      </p>
      {things.map((item) => (
        <Button
          key={item}
          variant={isIn(item) ? 'filled' : 'default'}
          aria-pressed={isIn(item)}
          onClick={() =>
            void say({
              kind: 'item',
              itemId: state.register.find((one) => one.item === item)?.itemId ?? `isolated-${item}`,
              item,
              where: '',
              change: isIn(item) ? 'out' : 'in',
              stepId: step.id,
            })
          }
        >
          {itemWords[item].name} {itemWords[item].in}
        </Button>
      ))}
    </Fold>
  )
}
