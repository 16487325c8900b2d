import type { Purpose } from '@link-count/core/model'

/** What a job is here for, as it is asked and as it stands over the job. */
export const purposeWords: Readonly<Record<Purpose, { readonly name: string; readonly help: string }>> = {
  whole: { name: 'The whole of it', help: 'Read as found, set, counted, proved.' },
  lookOnly: { name: 'Look only', help: 'Is it worth it: read what can be read with everything on.' },
  timingKept: { name: 'A new chain or belt, timing kept', help: 'Painted and counted over; no proved TDC wanted.' },
  fromNothing: { name: 'Time it from nothing', help: 'After a strip, or when nobody knows how it stood.' },
  tensionOnly: { name: 'Tension only', help: 'Set it, two turns by hand, look again.' },
  clearances: { name: 'Valve clearances', help: 'As found, set, as left.' },
  proveWork: { name: 'Prove what was done', help: 'Somebody’s work: read, two turns by hand, read again.' },
}
