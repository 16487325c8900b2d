import type { Loop } from '../model/buildSheet'
import { wrapToSigned } from '../units'
import type { LinkMapPlace } from './sections'

export interface PaintedPlace {
  readonly id: string
  readonly name: string
  readonly style: 'single' | 'double' | 'pair'
  /** Pitches along the travel from the driver's mark, the first of them lying there. */
  readonly atPitches: number
  /** The mark that it lies nearest to in the pose, and how many pitches past it, + = along the travel. */
  readonly mark: { readonly name: string; readonly pastPitches: number } | undefined
}

/** Where the painted links or printed lines of a loop lie when the first of them is on the driver's mark, and which marks they meet. */
export function paintedPlaces(
  { painted = [] }: Pick<Loop, 'painted'>,
  pitches: number,
  map: readonly LinkMapPlace[] | undefined,
): readonly PaintedPlace[] {
  let at = 0
  return painted.map(({ id, name, style, pitchesOn }, i) => {
    at = i === 0 ? 0 : at + pitchesOn
    const past = (map ?? []).map((mark) => ({
      name: mark.name,
      pastPitches: wrapToSigned(at - (mark.atPitches - mark.teeth + (map?.[0]?.teeth ?? 0)), pitches),
    }))
    const mark = past.reduce<(typeof past)[number] | undefined>(
      (best, one) => (!best || Math.abs(one.pastPitches) < Math.abs(best.pastPitches) ? one : best),
      undefined,
    )
    return { id, name, style, atPitches: at, mark }
  })
}
