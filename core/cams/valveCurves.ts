import { makeSliderCrank } from '../kinematics'
import type { BuildSheet, Cam } from '../model/buildSheet'
import { wrapToCycle, wrapToSigned } from '../units'
import { firingDegOf } from '../cylinders'
import { camSpec, eventLiftMm } from './camSpec'

export interface LiftPoint {
  /** On the cycle, after firing TDC of the zero cylinder, [0, cycle]. */
  readonly deg: number
  readonly mm: number
}

/** Lift of one valve over the whole cycle, late by so much of the book's. Undefined without a lobe or its place. */
export function liftCurve(
  sheet: BuildSheet,
  cam: Cam,
  { lateDeg, stepDeg }: { readonly lateDeg: number; readonly stepDeg: number },
): LiftPoint[] | undefined {
  const { profile, centreOnCycleDeg } = camSpec(sheet, cam)
  if (!profile || centreOnCycleDeg === undefined) return undefined
  const { cycleDeg } = sheet
  return Array.from({ length: Math.floor(cycleDeg / stepDeg) + 1 }, (_, i) => {
    const deg = i * stepDeg
    return { deg, mm: profile.liftAt(wrapToSigned(deg - centreOnCycleDeg - lateDeg, cycleDeg)) }
  })
}

/** How far a cylinder's piston stands below its top over the cycle. Undefined without stroke, rod or the cylinder's place. */
export function pistonCurve(sheet: BuildSheet, cylinderId: string, stepDeg: number): LiftPoint[] | undefined {
  const { strokeMm, rodMm, pinOffsetMm, cycleDeg } = sheet
  const firing = firingDegOf(sheet, cylinderId)
  const made =
    strokeMm && rodMm
      ? makeSliderCrank({ strokeMm: strokeMm.value, rodMm: rodMm.value, pinOffsetMm: pinOffsetMm?.value ?? 0 })
      : undefined
  if (!made?.ok || firing === undefined) return undefined
  return Array.from({ length: Math.floor(cycleDeg / stepDeg) + 1 }, (_, i) => {
    const deg = i * stepDeg
    return { deg, mm: made.value.dropMm(wrapToSigned(deg - firing, 360)) }
  })
}

/** Where both valves of a cylinder are open at once by the book, at the lift its events are told at; undefined where they are not known or
 *  never are. Degrees of the cycle. */
export function overlapOf(
  sheet: BuildSheet,
  cylinderId: string,
): { readonly fromDeg: number; readonly toDeg: number } | undefined {
  const firing = firingDegOf(sheet, cylinderId)
  const at = (valve: Cam['valve']) => sheet.cams.find((cam) => cam.cylinderId === cylinderId && cam.valve === valve)
  const [inlet, exhaust] = [at('inlet'), at('exhaust')]
  const opens = inlet && camSpec(sheet, inlet).figures.opens?.value
  const closes = exhaust && camSpec(sheet, exhaust).figures.closes?.value
  if (firing === undefined || opens === undefined || closes === undefined || opens + closes <= 0) return undefined
  const tdc = wrapToCycle(firing + 360, sheet.cycleDeg)
  return { fromDeg: tdc - opens, toDeg: tdc + closes }
}

export const checkingLiftOf = eventLiftMm
