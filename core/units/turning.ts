/** Clockwise and anticlockwise live only where a person reads them (handbook 1, trap A01). */
export type Hand = 'clockwise' | 'anticlockwise'
export type Side = 'timing' | 'opposite'

export const otherHand = (hand: Hand): Hand => (hand === 'clockwise' ? 'anticlockwise' : 'clockwise')
export const otherSide = (side: Side): Side => (side === 'timing' ? 'opposite' : 'timing')

/** Which way a turn goes as the mechanic sees it.
 *  `sign`: + = running direction of the shaft. `running`: that direction seen from the timing side. */
export function handOfTurn({ sign, running, side }: { sign: number; running: Hand; side: Side }): Hand {
  const fromTiming = sign >= 0 ? running : otherHand(running)
  return side === 'timing' ? fromTiming : otherHand(fromTiming)
}

/** Counter-clockwise plane degrees for one degree of running: +1 or -1, seen from the timing side. */
export const planeSign = (running: Hand): 1 | -1 => (running === 'anticlockwise' ? 1 : -1)
