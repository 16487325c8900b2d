import type { Exact } from '../model/buildSheet'

/** A mark held against what it meets by eye, degrees of its own shaft, one sigma. Common practice, no source. */
const BY_EYE_SIGMA_DEG = 0.5
/** A pin in the hole that it fits, degrees of its own shaft, one sigma. Ours. */
const PIN_SIGMA_DEG = 0.025
/** A mark on a rim of which nobody said how exact it is: sure to this either way, two sigma. Ours. */
const UNASKED_RIM_DEG = 4

/** One sigma of a mark that is seen at its place, degrees of its own shaft: what the eye leaves, and what the mark itself may be out by (two sigma:
 *  half a tooth, or so many degrees); of a hole that a pin goes into, the pin's play. Of one that nobody was asked about: half a tooth, on a rim 4° (ours).
 *  `teeth`: of the sprocket that it is cut on; undefined on a rim. */
export const markSigmaDeg = (exact: Exact | undefined, teeth: number | undefined): number =>
  exact?.how === 'pin' ? PIN_SIGMA_DEG : Math.hypot(BY_EYE_SIGMA_DEG, cutSigmaDeg(exact ?? { how: 'halfTooth' }, teeth))

/** What the mark itself may be out by, without the eye: one sigma, degrees of its own shaft. */
export function cutSigmaDeg(exact: Exact, teeth: number | undefined): number {
  if (exact.how === 'exact') return 0
  if (exact.how === 'pin') return PIN_SIGMA_DEG
  const widthDeg = exact.how === 'degrees' ? exact.deg : teeth === undefined ? UNASKED_RIM_DEG : 180 / teeth
  return widthDeg / 2
}
