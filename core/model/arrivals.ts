/** How an engine came in. `everyLoopOff` is of jobs begun before the parts were asked for one by one. */
export const ARRIVALS = [
  'whole',
  'loopOff',
  'loopBroken',
  'camshaftsOut',
  'headOff',
  'bareBlock',
  'everyLoopOff',
] as const
export type Arrival = (typeof ARRIVALS)[number]
