import type { Purpose } from '@link-count/core/model'

/** What a job is here for, as it is asked and as it stands over the job. */
export const purposeWords: Readonly<Record<Purpose, { readonly name: string; readonly help: string }>> = {
  recouple: {
    name: 'Re-set a camshaft on its coupling',
    help: 'Read, let round with the drive left alone, turned and read again.',
  },
  findFault: {
    name: 'Find out what is wrong',
    help: 'From what it does: the cheapest reading that tells is put in first.',
  },
  whole: { name: 'The whole of it', help: 'Read as found, set, counted, proved.' },
  lookOnly: { name: 'Look only', help: 'Is it worth it: camshaft, slack, lash, timing as found, wear, pressures.' },
  timingKept: {
    name: 'A new chain or belt, timing kept',
    help: 'Painted, counted over, tightened, turned; no proved TDC wanted.',
  },
  fromNothing: { name: 'Time it from nothing', help: 'After a strip, or when nobody knows how it stood.' },
  tensionOnly: { name: 'Tension only', help: 'Set it, two turns by hand, look again.' },
  pump: { name: 'Pump timing', help: 'The injection pump found, set and read tight, from a proved TDC.' },
  spark: { name: 'Spark timing', help: 'Magneto, distributor or points found and set, from a proved TDC.' },
  clearances: { name: 'Valve clearances', help: 'As found, set, as left; camshafts out where there are shims.' },
  proveWork: {
    name: 'Prove what was done',
    help: 'Somebody’s work: turned by hand, read, and a walk round the cycle.',
  },
}
