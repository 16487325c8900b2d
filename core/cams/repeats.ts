import { combineAngles } from '../readings'
import type { TimingWitness } from './camTiming'

/** Two readings of one thing agree within two sigma of their difference: what the wheel, tape or eye that read them can show. */
const SHOWS_SIGMAS = 2

/** Several readings of one thing as one witness: their weighted mean, and never sharper than the sharpest of them, since a mark, a wheel and a zero are the
 *  same at each. Two that lie further apart than such readings can show are held against each other: the ± covers both, and they do not agree.
 *  Undefined without a reading. Source: combineAngles. */
export function asOneWitness(readings: readonly TimingWitness[]): TimingWitness | undefined {
  const last = readings.at(-1)
  if (!last || readings.length === 1) return last
  const angles = readings.map((one) => ({ ...one, deg: one.latenessDeg, setUp: one.entryId }))
  const mean = combineAngles(angles)
  if (!mean) return last
  const [least, most] = [
    readings.reduce((a, b) => (b.latenessDeg < a.latenessDeg ? b : a)),
    readings.reduce((a, b) => (b.latenessDeg > a.latenessDeg ? b : a)),
  ]
  const apartDeg = most.latenessDeg - least.latenessDeg
  const agree = apartDeg <= SHOWS_SIGMAS * Math.hypot(least.sigmaDeg, most.sigmaDeg)
  const sharpest = Math.min(...readings.map(({ sigmaDeg }) => sigmaDeg))
  return {
    ...last,
    latenessDeg: mean.deg,
    sigmaDeg: agree ? sharpest : Math.max(sharpest, mean.sigmaDeg, apartDeg / 2),
    repeats: { entryIds: readings.map(({ entryId }) => entryId), apartDeg, agree },
  }
}
