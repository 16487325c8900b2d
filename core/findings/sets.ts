import { allOf, type JobState } from '../ledger'
import type { EntryOf } from '../model/entry'
import type { LookedAt } from '../model/findings'

/** What is renewed together: what runs on one another wears to one another, and what comes apart only once is not put back. Source: common practice, no source. */
const SETS: Readonly<Partial<Record<LookedAt, readonly LookedAt[]>>> = {
  loop: ['tensioner', 'sprocket', 'guide'],
  plates: ['tensioner', 'sprocket', 'guide'],
  rollers: ['tensioner', 'sprocket', 'guide'],
  sprocket: ['loop', 'key'],
  tensioner: ['loop', 'spring'],
  gear: ['gear', 'key'],
  camshaft: ['rocker'],
  rocker: ['camshaft'],
  bearing: ['seal'],
}

/** What is easy now that it lies open, and hard to come at later. Source: common practice, no source. */
const WHILE_OPEN: Readonly<Partial<Record<LookedAt, readonly LookedAt[]>>> = {
  loop: ['seal', 'clip'],
  tensioner: ['clip', 'washer'],
  sprocket: ['seal', 'washer'],
  gear: ['seal'],
  bearing: ['clip'],
}

/** What a mechanic would renew with a part, and what is easy to do while it is open. */
export const renewedWith = (
  part: LookedAt,
): { readonly set: readonly LookedAt[]; readonly easy: readonly LookedAt[] } => ({
  set: SETS[part] ?? [],
  easy: WHILE_OPEN[part] ?? [],
})

/** Parts that are never put back, whatever they look like. Source: common practice, no source. */
export const alwaysRenewed = (part: LookedAt) => part === 'clip' || part === 'seal'

/** What was found in a job that is still to be renewed, or was left so. */
export const findingsOwed = (state: Pick<JobState, 'kept'>): readonly EntryOf<'finding'>[] =>
  allOf(state, 'finding').filter(({ verdict }) => verdict !== 'goesOn')
