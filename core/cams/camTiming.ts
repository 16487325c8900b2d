import { toothWorth } from '../drive/sprocket'
import type { Ratio } from '../units'

/** One independent way in which a camshaft's timing was read. Crank degrees, + = late; one sigma. */
export interface TimingWitness {
  readonly kind: 'camMark' | 'valveEvents' | 'count'
  readonly entryId: string
  readonly latenessDeg: number
  readonly sigmaDeg: number
}

export interface CamTiming {
  readonly latenessDeg: number
  readonly sigmaDeg: number
  readonly proved: boolean
  readonly witnesses: readonly TimingWitness[]
  /** Witnesses that do not fit the combined value, by how much. */
  readonly misfits: readonly { readonly entryId: string; readonly offDeg: number }[]
}

/** A mark brought to a pointer by eye, crank degrees, one sigma. Common practice, no source. */
export const MARK_BY_EYE_SIGMA_DEG = 0.5
/** A valve's opening or closing judged at the checking lift, one sigma. Common practice, no source. */
export const EVENT_SIGMA_DEG = 0.75
/** A count tells the tooth and not the stretch: a quarter of a pitch, one sigma. Common practice, no source. */
export const COUNT_SIGMA_PITCHES = 0.25

const AGREE_SIGMAS = 3

/** Timing of one camshaft from its witnesses: weighted mean (1/sigma²) of what was read on the crank. A count cannot see stretch,
 *  so it is a witness of the tooth and is averaged in only when nothing sharper was read. Proved by two of different kinds
 *  that agree within three sigma of their difference and none that does not. Undefined without a witness. */
export function combineTiming(witnesses: readonly TimingWitness[]): CamTiming | undefined {
  if (witnesses.length === 0) return undefined
  const read = witnesses.filter(({ kind }) => kind !== 'count')
  const averaged = read.length > 0 ? read : witnesses
  const total = averaged.reduce((sum, { sigmaDeg }) => sum + 1 / sigmaDeg ** 2, 0)
  const latenessDeg = averaged.reduce((sum, w) => sum + w.latenessDeg / w.sigmaDeg ** 2, 0) / total
  const sharpest = witnesses.reduce((best, w) => (w.sigmaDeg < best.sigmaDeg ? w : best))
  const misfits = witnesses
    .map((w) => ({ w, offDeg: w.latenessDeg - sharpest.latenessDeg }))
    .filter(
      ({ w, offDeg }) => w !== sharpest && Math.abs(offDeg) > AGREE_SIGMAS * Math.hypot(w.sigmaDeg, sharpest.sigmaDeg),
    )
  const kinds = new Set(witnesses.map(({ kind }) => kind))
  return {
    latenessDeg,
    sigmaDeg: 1 / Math.sqrt(total),
    proved: kinds.size >= 2 && misfits.length === 0,
    witnesses,
    misfits: misfits.map(({ w, offDeg }) => ({ entryId: w.entryId, offDeg })),
  }
}

/** Whole teeth that bring a lateness nearest to nothing, and what is left. `layTeeth`: lay the loop over the sprocket
 *  so many teeth, + = further in the running direction (that is what makes an early cam later). */
export function correctByTeeth(latenessDeg: number, teeth: number, ratio: Ratio) {
  const { crankDeg: toothCrankDeg } = toothWorth(teeth, ratio)
  const late = Math.round(latenessDeg / toothCrankDeg) + 0
  return { layTeeth: -late + 0, leftoverDeg: latenessDeg - late * toothCrankDeg, toothCrankDeg }
}
