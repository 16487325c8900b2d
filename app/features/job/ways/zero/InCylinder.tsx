import { Button } from '@mantine/core'
import type { ItemKind } from '@link-count/core/model'
import { useBench } from '../../JobContext'
import type { ZeroWayProps } from './way'

/** Whether the tool of a method is in this cylinder, by the register. */
export function useInCylinder(item: ItemKind, { cylinder }: Pick<ZeroWayProps, 'cylinder'>) {
  const { view } = useBench()
  return view.state.register.find((one) => one.item === item && one.itemId === `${item}-${cylinder.id}`)
}

/** Says that a tool goes into a cylinder, or comes out of it: the guard reads it. */
export function InCylinder({
  item,
  change,
  words,
  filled,
  step,
  cylinder,
}: ZeroWayProps & {
  readonly item: ItemKind
  readonly change: 'in' | 'out'
  readonly words: string
  readonly filled: boolean
}) {
  const { say } = useBench()
  return (
    <Button
      variant={filled ? 'filled' : 'quiet'}
      onClick={() =>
        void say({
          kind: 'item',
          itemId: `${item}-${cylinder.id}`,
          item,
          where: `cylinder ${cylinder.name}`,
          change,
          stepId: step.id,
        })
      }
    >
      {words}
    </Button>
  )
}
