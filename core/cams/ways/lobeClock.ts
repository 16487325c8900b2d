import { readDrive } from '../../drive'
import type { BuildSheet, Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { partsOf } from '../../sheet'
import { planeSign, ratioValue, wrapToCycle, wrapToSigned } from '../../units'
import { camSpec } from '../camSpec'
import { camOf, onLobe } from './ofCam'
import type { CamWay, ReadLateness } from './way'

export const lobeClockShape = entryShape('lobeClock', 'Where a lobe was seen to point', {
  camId: field.id('The valve'),
  phase: field.phase,
  crankDeg: field.onCycle('Where the crank stands'),
  hour: field.upTo('Where the lobe points, hours of a clock seen from the timing side', 0, 12),
  sureToHours: field.between('Sure to so many hours', 0.25, 3),
})

/** Where a lobe should point with the crank so many degrees on its cycle: hours of a clock seen from the timing side, [0, 12). Undefined
 *  without the place it points to at full lift, or its centre. */
export function lobeHour(sheet: BuildSheet, cam: Cam, crankDeg: number): number | undefined {
  const { centreOnCycleDeg } = camSpec(sheet, cam)
  const shaft = partsOf(sheet).shaft(cam.shaftId)
  if (centreOnCycleDeg === undefined || !cam.fullLiftClock || !shaft) return undefined
  return wrapToCycle(cam.fullLiftClock.value + hoursPerDeg(sheet, cam) * (crankDeg - centreOnCycleDeg), 12)
}

/** Lateness from where a lobe was seen to point: coarse, and over the whole cycle, so that it tells a cam half a turn out. */
export function latenessFromClock(
  sheet: BuildSheet,
  cam: Cam,
  { crankDeg, hour, sureToHours }: { readonly crankDeg: number; readonly hour: number; readonly sureToHours: number },
): ReadLateness {
  const should = lobeHour(sheet, cam, crankDeg)
  if (should === undefined) return cam.fullLiftClock ? 'noSpec' : 'noClock'
  const perDeg = hoursPerDeg(sheet, cam)
  return {
    latenessDeg: (0 - wrapToSigned(hour - should, 12)) / perDeg,
    sigmaDeg: sureToHours / 2 / Math.abs(perDeg),
  }
}

/** Hours that a lobe turns clockwise, seen from the timing side, for one degree of the crank. */
/** How far a lobe goes round for a degree of the crank, hours of a clock face seen from the timing side. */
export function hoursPerDeg(sheet: BuildSheet, cam: Cam): number {
  const shaft = partsOf(sheet).shaft(cam.shaftId)
  const ratio = shaft ? ratioValue(readDrive(sheet).ratioOf(shaft)) : 0.5
  return (-planeSign(sheet.running?.value ?? 'clockwise') * ratio) / 30
}

export const lobeClock: CamWay<'lobeClock'> = {
  ...onLobe,
  // Lobes at several places of the crank are several looks.
  lookOf: ({ crankDeg }) => String(crankDeg),
  lateness: ({ sheet }, read) => {
    const cam = camOf(sheet, read)
    return cam ? latenessFromClock(sheet, cam, read) : 'noSpec'
  },
  // A clock face is no witness of a tooth, however sure somebody is of it.
  tellsTooth: () => 'never',
  leansOnWheel: false,
  samples: [{ kind: 'lobeClock', camId: 'cam-1-inlet', phase: 'left', crankDeg: 180, hour: 9.5, sureToHours: 0.5 }],
}
