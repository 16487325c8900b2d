import type { EntryOf } from '@link-count/core/model'

/** What is read in a cylinder. */
export const pressureWords: Record<EntryOf<'pressure'>['what'], string> = {
  compression: 'Compression',
  peak: 'Highest pressure, firing',
  mean: 'Mean pressure, firing',
  leakDown: 'Leaks away',
}
