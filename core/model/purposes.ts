/** What a job is here for. */
export const PURPOSES = [
  'lookOnly',
  'timingKept',
  'fromNothing',
  'tensionOnly',
  'pump',
  'spark',
  'clearances',
  'recouple',
  'findFault',
  'proveWork',
  'whole',
] as const
export type Purpose = (typeof PURPOSES)[number]
