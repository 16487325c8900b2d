/** What a job is here for. */
export const PURPOSES = [
  'lookOnly',
  'timingKept',
  'fromNothing',
  'tensionOnly',
  'clearances',
  'recouple',
  'findFault',
  'proveWork',
  'whole',
] as const
export type Purpose = (typeof PURPOSES)[number]
