import type { EntryOf } from '../model/entry'

type With = EntryOf<'followerRead'>['with']

/** How near a place of the crank is told, two sigma, crank degrees, by what it was told by. Source: handbook 19 for lines by eye; the others common practice, no source. */
export const PLACE_PLUS_MINUS: Readonly<Record<With, number>> = {
  dial: 0.5,
  spill: 0.7,
  line: 1,
  lamp: 0.5,
  feeler: 0.7,
  eye: 1.5,
}

/** The same, with how far the zero it is told from may be out. */
export const placePlusMinus = (by: With, zeroSigmaDeg: number) => Math.hypot(PLACE_PLUS_MINUS[by], 2 * zeroSigmaDeg)

/** What a dial on a plunger leaves each time it is read: its rounding, and a needle that hangs; one sigma, mm. Ours. */
const NEEDLE_SIGMA_MM = 0.0055

/** How fast a plunger rises at TDC where nobody read it, mm for a degree of the crank. Ours. */
export const USUAL_LIFT_PER_DEG = 0.06

/** What a lift read on a dial is unsure by, two sigma, mm: the needle at its zero and at TDC, and how far TDC may be out, by how fast the plunger rises there. */
export const liftPlusMinus = (tdcSigmaDeg: number, perDeg = USUAL_LIFT_PER_DEG) =>
  2 * Math.hypot(Math.SQRT2 * NEEDLE_SIGMA_MM, perDeg * tdcSigmaDeg)
