import type { Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { camSpec } from '../camSpec'
import { camOf, onLobe } from './ofCam'
import { DIAL_SIGMA_MM, LOBE_SIGMA_SHARE, withZero, type ReadBy, type CamWay, type ReadLateness } from './way'

export const tdcLiftShape = entryShape('tdcLift', 'The lift of a valve with the crank at overlap TDC', {
  camId: field.id('The valve'),
  phase: field.phase,
  liftMm: field.between('Its lift with the crank at overlap TDC, mm', 0, 100),
})

/** Lateness from the lift at overlap TDC: an inlet that is late has opened less, an exhaust that is late has closed less. Source: the lobe as fitted. */
export function latenessFromTdcLift(
  { sheet, zero }: Pick<ReadBy, 'sheet' | 'zero'>,
  cam: Cam,
  liftMm: number,
): ReadLateness {
  const { figures, profile } = camSpec(sheet, cam)
  if (!profile) return 'noProfile'
  if (!figures.centre) return 'noSpec'
  const inlet = cam.valve === 'inlet'
  const tdcDeg = profile.degAtLift(liftMm, inlet ? 'opening' : 'closing')
  if (tdcDeg === undefined || liftMm < 1e-6) return 'outsideLobe'
  // The book's own lift at TDC is a better start than the lobe's.
  const bookMm = figures.tdcLift?.from === 'given' ? figures.tdcLift.value : undefined
  const bookDeg = bookMm === undefined ? undefined : profile.degAtLift(bookMm, inlet ? 'opening' : 'closing')
  const specDeg = bookDeg ?? (inlet ? -figures.centre.value : figures.centre.value)
  const slope = Math.abs(profile.slopeAt(tdcDeg))
  const latenessDeg = specDeg - tdcDeg + 0
  const lobe = bookDeg === undefined ? 0.6 : Math.abs(latenessDeg) * LOBE_SIGMA_SHARE
  return { latenessDeg, sigmaDeg: Math.hypot(DIAL_SIGMA_MM / Math.max(slope, 1e-4), lobe, zero.sigmaDeg) }
}

export const tdcLift: CamWay<'tdcLift'> = {
  ...onLobe,
  lateness: withZero((bench, read) => {
    const cam = camOf(bench.sheet, read)
    return cam ? latenessFromTdcLift(bench, cam, read.liftMm) : 'noSpec'
  }),
  leansOnWheel: true,
  samples: [{ kind: 'tdcLift', camId: 'cam-1-inlet', phase: 'found', liftMm: 2 }],
}
