import type { Entry } from '@link-count/core/model'
import type { ZeroWayKind } from '@link-count/core/zero'
import { DialWay } from './DialWay'
import { FeelWay } from './FeelWay'
import { MarksWay } from './MarksWay'
import { StopWay } from './StopWay'
import type { ZeroWayPanel } from './way'

/** The ways of finding TDC, in the order they are offered. */
export const zeroWayPanels: { readonly [K in ZeroWayKind]: ZeroWayPanel<K> } = {
  stopContacts: {
    label: 'Stop',
    Panel: StopWay,
    pairOf: ({ firstDeg, secondDeg }) => ({ degs: [firstDeg, secondDeg], words: ['contact', 'contact back'] }),
  },
  dialPair: {
    label: 'Dial',
    Panel: DialWay,
    pairOf: ({ beforeDeg, afterDeg }) => ({ degs: [beforeDeg, afterDeg], words: ['coming up', 'going down'] }),
  },
  dwell: {
    label: 'Feel',
    Panel: FeelWay,
    pairOf: ({ beforeDeg, afterDeg }) => ({ degs: [beforeDeg, afterDeg], words: ['stops rising', 'falls'] }),
  },
  factoryMark: { label: 'Marks', Panel: MarksWay, pairOf: undefined },
}

/** The two readings of a line that were halved, by whatever way. */
export const pairOf = (entry: Entry) =>
  Object.hasOwn(zeroWayPanels, entry.kind)
    ? (zeroWayPanels[entry.kind as ZeroWayKind] as ZeroWayPanel<ZeroWayKind>).pairOf?.(entry as never)
    : undefined
