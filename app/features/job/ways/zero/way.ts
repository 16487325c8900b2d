import type { ZeroWayKind } from '@link-count/core/zero'
import type { Cylinder, EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'

export interface ZeroWayProps {
  readonly step: Step
  readonly cylinder: Cylinder
}

/** How a way of finding TDC is worked at the bench. */
export interface ZeroWayPanel<K extends ZeroWayKind> {
  readonly label: string
  readonly Panel: React.ComponentType<ZeroWayProps>
  /** The two readings that are halved, for the drawn wheel, and what each is; undefined where nothing is halved. */
  readonly pairOf:
    ((entry: EntryOf<K>) => { readonly degs: readonly number[]; readonly words: readonly string[] }) | undefined
}
