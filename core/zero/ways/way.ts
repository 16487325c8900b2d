import type { BuildSheet } from '../../model/buildSheet'
import type { NewEntry, EntryKind } from '../../model/entry'
import type { ZeroReading } from '../combineZero'

/** What readings of one setting of the degree wheel are worked out with. */
export interface ZeroFrame {
  readonly sheet: BuildSheet
  /** One sigma of one reading of the wheel, at that place of it. */
  readonly wheelSigmaAt: (wheelDeg: number) => number
  readonly dialReadToMm: number
}

/** A reading as it is written, or about to be, under an id of its own. */
export type Found<K extends EntryKind> = Extract<NewEntry, { kind: K }> & { readonly id: string }

/** A way of finding top dead centre on the degree wheel. A kind of line in the ledger, whose shape stands beside it. */
export interface ZeroWay<K extends EntryKind> {
  /** What all readings of this way on one setting of the wheel say, each of its own cylinder: one that cannot be halved says nothing. */
  readonly readings: (found: readonly Found<K>[], bench: ZeroFrame) => ZeroReading[]
  readonly samples: readonly [Extract<NewEntry, { kind: K }>, ...Extract<NewEntry, { kind: K }>[]]
}
