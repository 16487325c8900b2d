import { firingDegOf } from '../cylinders'
import type { BuildSheet, Cam } from '../model/buildSheet'
import { camSpec } from './camSpec'
import { crankDeg, wrapToCycle, wrapToSigned, type CrankDeg } from '../units'

/** Opening and closing of a cam on the crank's cycle, from the figures as printed or what follows from
 *  them, for a four-stroke.
 *  EO = 180 - eo, IO = 360 - io, EC = 360 + ec, IC = 540 + ic, all after firing TDC of the cam's own cylinder, wrapped to
 *  the cycle. Negative figures are legal. Undefined where a figure or the cylinder's place is not known. Source: handbook 1. */
export function valveEvents(
  sheet: BuildSheet,
  cam: Cam,
): { readonly opens: CrankDeg | undefined; readonly closes: CrankDeg | undefined } {
  const firing = firingDegOf(sheet, cam.cylinderId)
  const { opens, closes } = camSpec(sheet, cam).figures
  const [openAt, closeAt] = cam.valve === 'inlet' ? [360, 540] : [180, 360]
  const on = (deg: number | undefined) =>
    deg === undefined || firing === undefined ? undefined : crankDeg(wrapToCycle(firing + deg, sheet.cycleDeg))
  return {
    opens: on(opens && openAt - opens.value),
    closes: on(closes && closeAt + closes.value),
  }
}

export interface EventLateness {
  readonly opensLateDeg: number
  readonly closesLateDeg: number
  /** Mean of the two, crank degrees, + = late: what chain, tooth or key does. */
  readonly phaseDeg: number
  /** Closing less opening lateness: what lash, wear or another checking lift does. */
  readonly durationDeg: number
}

/** Phase and duration from an opening and a closing read on the crank, against the sheet. All crank degrees; the wheel shows
 *  one turn, so each lateness is taken in (-180, 180]. Source: handbook 12. */
export function eventLateness(
  read: { readonly opensDeg: number; readonly closesDeg: number },
  spec: { readonly opens: number; readonly closes: number },
): EventLateness {
  const opensLateDeg = wrapToSigned(read.opensDeg - spec.opens, 360)
  const closesLateDeg = wrapToSigned(read.closesDeg - spec.closes, 360)
  return {
    opensLateDeg,
    closesLateDeg,
    phaseDeg: (opensLateDeg + closesLateDeg) / 2,
    durationDeg: closesLateDeg - opensLateDeg,
  }
}
