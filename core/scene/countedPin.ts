/** The pins that were counted, as numbers along the loop from the first pin: the nth counted. A mark in a gap has a pin
 *  under it, which the rule counts or not; a tip's first pin is half a pitch on. */
export const countedPin = (start: number, n: number, first: 'under' | 'next' | 'afterTip') =>
  Math.round((start + (first === 'under' ? 0 : first === 'next' ? 1 : 0.5)) * 2) / 2 + n - 1
