import type { EntryOf } from '../../model/entry'

export type TensionerIs = EntryOf<'tensioner'>['state'] | 'asArrived' | 'notSaid' | 'out' | 'unknown'

/** What a tensioner that stands so means, wherever it is asked. */
export interface TensionerStateRecord {
  /** It holds its loop tight, as far as anybody knows. */
  readonly released: boolean
  /** What the guard says of it with its loop on. */
  readonly guard: 'nothing' | 'notReleased' | 'notSaid' | 'unknown'
}

export const tensionerStates: { readonly [K in TensionerIs]: TensionerStateRecord } = {
  /** Nobody has touched it. */
  asArrived: { released: true, guard: 'nothing' },
  heldBack: { released: false, guard: 'notReleased' },
  /** Off the engine, or said of it in another job that is over. */
  out: { released: false, guard: 'notReleased' },
  fitted: { released: false, guard: 'notReleased' },
  released: { released: true, guard: 'nothing' },
  /** Felt to push after it was released. */
  proven: { released: true, guard: 'nothing' },
  /** Its loop was off since: what held it tight says nothing any more. */
  notSaid: { released: false, guard: 'notSaid' },
  unknown: { released: false, guard: 'unknown' },
}

export const isReleased = (is: TensionerIs): boolean => tensionerStates[is].released
