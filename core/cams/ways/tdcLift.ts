import type { Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { camSpec } from '../camSpec'
import { mostApart, type Lobe } from '../lobeFamily'
import { camOf, onLobe } from './ofCam'
import { DIAL_SIGMA_MM, withShape, withZero, type ReadBy, type CamWay, type ReadLateness } from './way'

export const tdcLiftShape = entryShape('tdcLift', 'The lift of a valve with the crank at overlap TDC', {
  camId: field.id('The valve'),
  phase: field.phase,
  liftMm: field.between('Its lift with the crank at overlap TDC, mm', 0, 100),
})

/** Lateness from the lift at overlap TDC: an inlet that is late has opened less, an exhaust that is late has closed less. The book's own lift at TDC is a
 *  better start than the lobe's. The ± holds every shape of lobe that the book leaves open. Source: the lobe as fitted, and its family. */
export function latenessFromTdcLift(
  { sheet, zero }: Pick<ReadBy, 'sheet' | 'zero'>,
  cam: Cam,
  liftMm: number,
): ReadLateness {
  const { figures, profile, family } = camSpec(sheet, cam)
  if (!profile) return 'noProfile'
  if (!figures.centre) return 'noSpec'
  const inlet = cam.valve === 'inlet'
  const flank = inlet ? 'opening' : 'closing'
  const atTdc = inlet ? -figures.centre.value : figures.centre.value
  const bookMm = figures.tdcLift?.from === 'given' ? figures.tdcLift.value : undefined
  const late = (lobe: Lobe, fromMm: number | undefined) => {
    const start = fromMm === undefined ? atTdc : lobe.degAtLift(fromMm, flank)
    const now = lobe.degAtLift(liftMm, flank)
    return start === undefined || now === undefined ? undefined : start - now + 0
  }
  const latenessDeg = late(profile, bookMm) ?? late(profile, undefined)
  if (latenessDeg === undefined || liftMm < 1e-6) return 'outsideLobe'
  const slope = Math.abs(profile.slopeAt(profile.degAtLift(liftMm, flank) ?? atTdc))
  const apart = (fromMm: number | undefined) =>
    mostApart(
      late(profile, fromMm) ?? latenessDeg,
      (family ?? []).map((lobe) => late(lobe, fromMm)),
    )
  const shapeDeg = apart(bookMm)
  const noise = Math.hypot(DIAL_SIGMA_MM / Math.max(slope, 1e-4), zero.sigmaDeg)
  return {
    latenessDeg,
    sigmaDeg: withShape(noise, shapeDeg),
    ...(family ? { shapeDeg } : {}),
    ...(family && bookMm === undefined ? { shapeWithTdcLiftDeg: apart(profile.liftAt(atTdc)) } : {}),
  }
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
