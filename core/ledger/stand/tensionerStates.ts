import type { EntryOf } from '../../model/entry'

export type TensionerIs = EntryOf<'tensioner'>['state'] | 'asArrived' | 'notSaid' | 'out' | 'unknown'

/** What a tensioner that stands so means, wherever it is asked. */
export interface TensionerStateRecord {
  /** It holds its loop tight, as far as anybody knows. */
  readonly released: boolean
  /** What the guard says of it with its loop on. */
  readonly guard: 'nothing' | 'springOnly' | 'notReleased' | 'loose' | 'notSaid' | 'unknown'
}

export const tensionerStates: { readonly [K in TensionerIs]: TensionerStateRecord } = {
  /** Nobody has touched it. */
  asArrived: { released: true, guard: 'nothing' },
  /** Not wound in, or its latch not set. */
  extended: { released: false, guard: 'notReleased' },
  heldBack: { released: false, guard: 'notReleased' },
  /** Off the engine, or said of it in another job that is over. */
  out: { released: false, guard: 'notReleased' },
  fitted: { released: false, guard: 'notReleased' },
  released: { released: true, guard: 'nothing' },
  loose: { released: false, guard: 'loose' },
  /** Moved to its place, its lock not tight yet. */
  set: { released: false, guard: 'loose' },
  /** Its spring alone holds it, its bolt or nuts loose: it is turned so, and proves nothing until it is locked. */
  springOnly: { released: false, guard: 'springOnly' },
  levered: { released: false, guard: 'loose' },
  locked: { released: true, guard: 'nothing' },
  /** Felt to push after it was released. */
  proven: { released: true, guard: 'nothing' },
  /** Its loop was off since: what held it tight says nothing any more. */
  notSaid: { released: false, guard: 'notSaid' },
  unknown: { released: false, guard: 'unknown' },
}

/** It holds its loop as it will run, whether it is locked so or not. */
export const holdsTight = (is: TensionerIs): boolean => isReleased(is) || is === 'springOnly'

export const isReleased = (is: TensionerIs): boolean => tensionerStates[is].released
