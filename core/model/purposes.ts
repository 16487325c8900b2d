/** What a job is here for. */
export const PURPOSES = [
  'whole',
  'lookOnly',
  'timingKept',
  'fromNothing',
  'tensionOnly',
  'clearances',
  'proveWork',
] as const
export type Purpose = (typeof PURPOSES)[number]
