import type { Due } from '../model/engine'

/** Intervals that are told among mechanics. Source: handbook 15, common practice; the maker's own come first. */
export const USUAL_INTERVALS: readonly Pick<Due, 'what' | 'every' | 'months' | 'source'>[] = [
  { what: 'Valve clearances', every: { value: 12_000, unit: 'miles' }, source: 'common practice' },
  { what: 'Timing belt', every: { value: 60_000, unit: 'miles' }, source: 'common practice' },
  { what: 'Timing belt', every: { value: 1000, unit: 'hours' }, months: 60, source: 'common practice' },
  { what: 'Timing chain', every: { value: 4000, unit: 'hours' }, source: 'common practice' },
  { what: 'Valve clearances', every: { value: 7.5, unit: 'hours' }, source: 'common practice, racing singles' },
]
