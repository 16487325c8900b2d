import { dialPair, dialPairShape } from './dialPair'
import { dwell, dwellShape } from './dwell'
import { factoryMark, factoryMarkShape } from './factoryMark'
import { stopContacts, stopContactsShape } from './stopContacts'
import type { ZeroWay } from './way'

export type * from './way'
export { LEAST_DWELL_DEG, type FeelTool } from './dwell'
export { FACTORY_MARK_SIGMA_DEG } from './factoryMark'

/** Every way of finding top dead centre: the shapes of their lines, and what each says. */
export const zeroWayShapes = [stopContactsShape, dialPairShape, dwellShape, factoryMarkShape] as const

export type ZeroWayKind = (typeof zeroWayShapes)[number]['shape']['kind']['value']

export const zeroWays: { readonly [K in ZeroWayKind]: ZeroWay<K> } = { stopContacts, dialPair, dwell, factoryMark }
