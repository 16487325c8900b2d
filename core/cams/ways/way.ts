import type { BuildSheet } from '../../model/buildSheet'
import type { NewEntry, EntryKind } from '../../model/entry'

/** A lateness as one reading gives it: crank degrees, + = late, one sigma. */
export interface CamLateness {
  readonly latenessDeg: number
  readonly sigmaDeg: number
  /** Closing less opening lateness, where both were read: what lash, wear or another lift does; its sigma. */
  readonly durationDeg?: number
  readonly durationSigmaDeg?: number
  readonly opensLateDeg?: number
  readonly closesLateDeg?: number
  /** Read at another lift than the book's and converted by the lobe. */
  readonly converted?: boolean
  /** What the shape of the lobe leaves open, crank degrees either way: half of it is in the sigma. Nothing where a lift table tells it. */
  readonly shapeDeg?: number
  /** What it would leave open with the book's own lift at TDC. */
  readonly shapeWithTdcLiftDeg?: number
  /** The middle of each pair of equal lifts less the first one's, crank degrees: a lobe that is not alike on both sides drifts. */
  readonly driftsDeg?: readonly number[]
}
/** Why a reading says nothing of lateness yet. */
export type NotSaid =
  | 'noZero'
  | 'noSpec'
  | 'noProfile'
  | 'outsideLobe'
  | 'twoCamshafts'
  | 'noClock'
  | 'noRadius'
  | 'noTeeth'
  | 'noMark'
  | 'crankElsewhere'
  | 'astern'

export type ReadLateness<T extends CamLateness = CamLateness> = T | NotSaid
export const isSaid = <T extends CamLateness>(read: ReadLateness<T>): read is T => typeof read !== 'string'

/** What readings of one setting of the degree wheel are worked out with. */
export interface ReadBy {
  readonly sheet: BuildSheet
  /** Where true TDC of the zero cylinder stands on the wheel, and its sigma. */
  readonly zero: { readonly wheelDeg: number; readonly sigmaDeg: number }
  /** One sigma of one reading of the wheel, at that place of it. */
  readonly wheelSigmaAt: (wheelDeg: number) => number
}
/** The same, where the zero is not known yet. */
export type ReadByNow = Omit<ReadBy, 'zero'> & { readonly zero: ReadBy['zero'] | undefined }

/** A way of reading how a camshaft stands. A kind of line in the ledger, whose shape stands beside it. */
export interface CamWay<K extends EntryKind> {
  /** The camshaft that a reading speaks of; of several, the one that carries the lobes. */
  readonly shaftOf: (sheet: BuildSheet, read: ReadOf<K>) => string | undefined
  /** What a reading was made on: one mark, one lobe, one cylinder's pair. */
  readonly thingOf: (read: ReadOf<K>) => string
  /** Which look at it: a later one takes the place of an earlier. Without it there is one look at a thing. */
  readonly lookOf?: (read: ReadOf<K>) => string
  /** Lateness by one reading, or why it says nothing. */
  readonly lateness: (by: ReadByNow, read: ReadOf<K>) => ReadLateness
  /** Whether it can tell one tooth from the next: never, whatever somebody says of its ±; or only while two sigma stay under half a tooth. Without it, it is
   *  judged by its ± against what is safe. */
  readonly tellsTooth?: (read: ReadOf<K>) => 'never' | 'ifSharp'
  readonly leansOnWheel: boolean | ((read: ReadOf<K>) => boolean)
  readonly samples: readonly [ReadOf<K>, ...ReadOf<K>[]]
}

/** A reading as it is about to be written. */
export type ReadOf<K extends EntryKind> = Extract<NewEntry, { kind: K }>

/** For a way that can say nothing before the zero is known. */
export const withZero =
  <R, T extends CamLateness>(lateness: (by: ReadBy, read: R) => ReadLateness<T>) =>
  (by: ReadByNow, read: R): ReadLateness<T> =>
    by.zero ? lateness({ ...by, zero: by.zero }, read) : 'noZero'

/** What a dial is read to, one sigma, mm. Common practice, no source. */
export const DIAL_SIGMA_MM = 0.02

/** One sigma of a reading whose lobe may have any shape that its book leaves open: what chance does, and half of the most that the shape does, added and
 *  not squared, since the shape is the same at every reading. */
export const withShape = (sigmaDeg: number, shapeDeg: number) => sigmaDeg + shapeDeg / 2
