import { combineAngles, doesNotFit } from '../readings'
import { toothWorth } from '../drive/sprocket'
import type { Ratio } from '../units'
import type { CamWayKind } from './ways'

/** One independent way in which a camshaft's timing was read. Crank degrees, + = late; one sigma. */
export interface TimingWitness {
  readonly kind: CamWayKind | 'count'
  readonly entryId: string
  readonly latenessDeg: number
  readonly sigmaDeg: number
  /** The lobe it was read on, where it was one. */
  readonly camId?: string
  /** Where one thing was read more than once: every line of it, how far the furthest two lie apart, and whether that is within what such a reading can
   *  show. */
  readonly repeats?: { readonly entryIds: readonly string[]; readonly apartDeg: number; readonly agree: boolean }
  /** Closing less opening lateness, where both were read. */
  readonly duration?: { readonly deg: number; readonly sigmaDeg: number }
}

export interface CamTiming {
  readonly latenessDeg: number
  readonly sigmaDeg: number
  /** The ± that is shown, and what widened it. */
  readonly plusMinusDeg: number
  readonly widenedBy: 'nothing' | 'scatter' | 'contradiction'
  readonly proved: boolean
  readonly witnesses: readonly TimingWitness[]
  /** Witnesses that do not fit the combined value, by how much. */
  readonly misfits: readonly { readonly entryId: string; readonly offDeg: number }[]
}

/** A count tells the tooth and not the stretch: a quarter of a pitch, one sigma. Common practice, no source. */
export const COUNT_SIGMA_PITCHES = 0.25

/** Timing of one camshaft from its witnesses: what was read of it, weighted, one that does not fit the rest named and left out. A count cannot
 *  see stretch, so it is a witness of the tooth and is averaged in only when nothing sharper was read. Proved by two of different kinds that
 *  agree and none that does not. Undefined without a witness. Source: combineAngles. */
export function combineTiming(witnesses: readonly TimingWitness[]): CamTiming | undefined {
  const angles = witnesses.map((witness) => ({ ...witness, deg: witness.latenessDeg, setUp: witness.entryId }))
  const read = angles.filter(({ kind }) => kind !== 'count')
  const mean = combineAngles(read.length > 0 ? read : angles)
  if (!mean) return undefined
  const counts = read.length > 0 ? angles.filter(({ kind }) => kind === 'count') : []
  const misfits = [...mean.misfits, ...counts.filter((count) => doesNotFit(count, mean))]
  // One thing read twice that does not agree with itself proves nothing, whatever else was read.
  const atOdds = witnesses.some(({ repeats }) => repeats && !repeats.agree)
  const kinds = new Set(witnesses.map(({ kind }) => kind))
  return {
    latenessDeg: mean.deg,
    sigmaDeg: mean.sigmaDeg,
    plusMinusDeg: mean.plusMinusDeg,
    widenedBy: mean.widenedBy,
    proved: kinds.size >= 2 && misfits.length === 0 && !atOdds,
    witnesses,
    misfits: misfits.map((one) => ({ entryId: one.entryId, offDeg: one.latenessDeg - mean.deg })),
  }
}

/** Whole teeth that bring a lateness nearest to nothing, and what is left. `layTeeth`: lay the loop over the sprocket
 *  so many teeth, + = further in the running direction (that is what makes an early cam later). */
export function correctByTeeth(latenessDeg: number, teeth: number, ratio: Ratio) {
  const { crankDeg: toothCrankDeg } = toothWorth(teeth, ratio)
  const late = Math.round(latenessDeg / toothCrankDeg) + 0
  return { layTeeth: -late + 0, leftoverDeg: latenessDeg - late * toothCrankDeg, toothCrankDeg }
}
