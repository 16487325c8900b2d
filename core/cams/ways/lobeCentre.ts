import type { Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { wrapToCycle, wrapToSigned } from '../../units'
import { camSpec } from '../camSpec'
import { camOf, onLobe } from './ofCam'
import { MOST_UNLIKE } from '../lobeFamily'
import {
  DIAL_SIGMA_MM,
  withShape,
  withZero,
  type ReadBy,
  type CamLateness,
  type CamWay,
  type ReadLateness,
} from './way'

export const lobeCentreShape = entryShape(
  'lobeCentre',
  "Equal lifts either side of the lobe's top: the wheel going up and coming down",
  {
    camId: field.id('The valve'),
    phase: field.phase,
    pairs: field
      .listOf(
        field.group({
          liftMm: field.between('The lift of the pair, mm', 0, 100),
          upDeg: field.onWheel('Where it is lifted so far going up'),
          downDeg: field.onWheel('Where it is lifted so far coming down'),
        }),
        1,
        20,
      )
      .describe('Pairs of equal lift'),
  },
)

export interface LiftPair {
  readonly liftMm: number
  readonly upDeg: number
  readonly downDeg: number
}
export interface CentreLateness extends CamLateness {
  /** The middle of each pair less the first one's, crank degrees: a lobe that is not alike on both sides drifts. */
  readonly driftsDeg: readonly number[]
}

/** Lateness of a lobe's centre from equal lifts either side of its top, never from where the needle stops. With the lobe known each pair's
 *  middle is compared with the lobe's own at that lift; without, with the centre, and the ± holds flanks that are unlike. Pairs are weighed by
 *  how steep the lobe is there, and by how near the checking lift. Source: handbook 12. */
export function latenessFromCentre(
  { sheet, zero, wheelSigmaAt }: ReadBy,
  cam: Cam,
  pairs: readonly LiftPair[],
): ReadLateness<CentreLateness> {
  const { profile, centreOnCycleDeg, figures } = camSpec(sheet, cam)
  if (centreOnCycleDeg === undefined || pairs.length === 0) return 'noSpec'
  const middles = pairs.map(({ liftMm, upDeg, downDeg }) => {
    const half = wrapToCycle(downDeg - upDeg, 360) / 2
    const middleDeg = wrapToSigned(upDeg + half - zero.wheelDeg - centreOnCycleDeg, 360)
    const [up, down] = [profile?.degAtLift(liftMm, 'opening'), profile?.degAtLift(liftMm, 'closing')]
    const own = up === undefined || down === undefined ? 0 : (up + down) / 2
    // Without a lobe: a parabola of that height and width is steep enough to tell by.
    const slope = up === undefined ? liftMm / Math.max(half, 1) : Math.abs(profile?.slopeAt(up) ?? 0)
    const sigmaDeg =
      Math.hypot(wheelSigmaAt(upDeg), wheelSigmaAt(downDeg), (Math.SQRT2 * DIAL_SIGMA_MM) / Math.max(slope, 1e-4)) / 2
    return {
      middleDeg: middleDeg - own,
      sigmaDeg,
      shapeDeg: cam.liftTable ? 0 : unlikeDeg(2 * half, figures.duration?.value),
    }
  })
  // The lower a pair, the nearer to what the book tells: pairs are weighed by what chance and what the shape may do.
  const weighed = middles.map((one) => ({ ...one, weight: 1 / (one.sigmaDeg ** 2 + (one.shapeDeg / 2) ** 2) }))
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0)
  const first = middles[0]?.middleDeg ?? 0
  const shift = weighed.reduce((sum, { middleDeg, weight }) => sum + wrapToSigned(middleDeg - first, 360) * weight, 0)
  const shapeDeg = weighed.reduce((sum, one) => sum + one.shapeDeg * one.weight, 0) / total
  const noise = Math.sqrt(weighed.reduce((sum, { weight, sigmaDeg }) => sum + (weight * sigmaDeg) ** 2, 0)) / total
  return {
    latenessDeg: wrapToSigned(first + shift / total, 360),
    sigmaDeg: withShape(Math.hypot(noise, zero.sigmaDeg), shapeDeg),
    ...(cam.liftTable ? {} : { shapeDeg }),
    driftsDeg: middles.map(({ middleDeg }) => wrapToSigned(middleDeg - first, 360)),
  }
}

/** How long a lobe is open where nobody says so, crank degrees at a usual checking lift. Common practice, no source. */
const USUAL_DURATION_DEG = 250

/** How far the middle between two places of equal lift may stand from the middle of opening and closing, where the flanks are unlike: nothing at the
 *  checking lift, and the more the narrower. */
const unlikeDeg = (widthDeg: number, durationDeg = USUAL_DURATION_DEG) => MOST_UNLIKE * Math.abs(durationDeg - widthDeg)

export const lobeCentre: CamWay<'lobeCentre'> = {
  ...onLobe,
  lateness: withZero((bench, read) => {
    const cam = camOf(bench.sheet, read)
    return cam ? latenessFromCentre(bench, cam, read.pairs) : 'noSpec'
  }),
  leansOnWheel: true,
  samples: [
    { kind: 'lobeCentre', camId: 'cam-1-inlet', phase: 'found', pairs: [{ liftMm: 5, upDeg: 60, downDeg: 170 }] },
  ],
}
