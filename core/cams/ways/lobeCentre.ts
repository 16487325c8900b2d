import type { Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { wrapToCycle, wrapToSigned } from '../../units'
import { camSpec } from '../camSpec'
import { camOf, onLobe } from './ofCam'
import { DIAL_SIGMA_MM, withZero, type ReadBy, type CamLateness, type CamWay, type ReadLateness } from './way'

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
 *  middle is compared with the lobe's own at that lift; without, with the centre. Pairs are weighed by how steep the lobe is there.
 *  Source: handbook 12. */
export function latenessFromCentre(
  { sheet, zero, wheelSigmaDeg }: ReadBy,
  cam: Cam,
  pairs: readonly LiftPair[],
): ReadLateness<CentreLateness> {
  const { profile, centreOnCycleDeg } = camSpec(sheet, cam)
  if (centreOnCycleDeg === undefined || pairs.length === 0) return 'noSpec'
  const middles = pairs.map(({ liftMm, upDeg, downDeg }) => {
    const half = wrapToCycle(downDeg - upDeg, 360) / 2
    const middleDeg = wrapToSigned(upDeg + half - zero.wheelDeg - centreOnCycleDeg, 360)
    const [up, down] = [profile?.degAtLift(liftMm, 'opening'), profile?.degAtLift(liftMm, 'closing')]
    const own = up === undefined || down === undefined ? 0 : (up + down) / 2
    // Without a lobe: a parabola of that height and width is steep enough to tell by.
    const slope = up === undefined ? liftMm / Math.max(half, 1) : Math.abs(profile?.slopeAt(up) ?? 0)
    const sigmaDeg = Math.hypot(wheelSigmaDeg, DIAL_SIGMA_MM / Math.max(slope, 1e-4)) / Math.SQRT2
    return { middleDeg: middleDeg - own, sigmaDeg }
  })
  const total = middles.reduce((sum, { sigmaDeg }) => sum + sigmaDeg ** -2, 0)
  const first = middles[0]?.middleDeg ?? 0
  const shift = middles.reduce(
    (sum, { middleDeg, sigmaDeg }) => sum + wrapToSigned(middleDeg - first, 360) / sigmaDeg ** 2,
    0,
  )
  return {
    latenessDeg: wrapToSigned(first + shift / total, 360),
    sigmaDeg: Math.hypot(1 / Math.sqrt(total), zero.sigmaDeg),
    driftsDeg: middles.map(({ middleDeg }) => wrapToSigned(middleDeg - first, 360)),
  }
}

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
