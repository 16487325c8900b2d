import { chiSquareLimit } from '../readings'
import type { Readings } from './readings'

/** More than this it is no scatter of the hand any more, but lobes that stand otherwise. Ours. */
const MOST_SCATTER = 2

/** How much more the lobes of each camshaft scatter about their own mean than their ± lets them, 1 where that is chance: no cause that moves a camshaft
 *  can do it, so the ± itself is too small. Of three lobes beyond one to a camshaft or more. Source: Birge's ratio. */
export function ownScatter({ lobes }: Readings): number {
  let [squares, freedom] = [0, 0]
  for (const shaftId of new Set(lobes.map((lobe) => lobe.shaftId))) {
    const own = lobes.filter((lobe) => lobe.shaftId === shaftId)
    const total = own.reduce((sum, { sigmaDeg }) => sum + sigmaDeg ** -2, 0)
    const mean = own.reduce((sum, { latenessDeg, sigmaDeg }) => sum + latenessDeg / sigmaDeg ** 2, 0) / total
    squares += own.reduce((sum, { latenessDeg, sigmaDeg }) => sum + ((latenessDeg - mean) / sigmaDeg) ** 2, 0)
    freedom += own.length - 1
  }
  if (freedom < 3 || squares <= chiSquareLimit(freedom)) return 1
  const ratio = Math.sqrt(squares / freedom)
  return ratio > MOST_SCATTER ? 1 : ratio
}

/** The same readings with so much more ±. */
export const widened = (readings: Readings, by: number): Readings =>
  by === 1
    ? readings
    : {
        ...readings,
        lobes: readings.lobes.map(({ duration, ...lobe }) => ({
          ...lobe,
          sigmaDeg: lobe.sigmaDeg * by,
          duration: duration && { deg: duration.deg, sigmaDeg: duration.sigmaDeg * by },
        })),
      }
