import { radFromDeg } from '../units'

/** What a torque wrench is set to so that a crow-foot or other extension on it gives the torque that is wanted: wanted · L/(L + a·cos), in the unit of the torque. Lengths in mm:
 *  the wrench from its square to the middle of the grip, the extension from there to the bolt; 0° is straight out, at 90° nothing changes. Source: handbook 15, levers. */
export const crowFootSetting = (
  wanted: number,
  {
    wrenchMm,
    footMm,
    angleDeg = 0,
  }: { readonly wrenchMm: number; readonly footMm: number; readonly angleDeg?: number },
) => (wanted * wrenchMm) / (wrenchMm + footMm * Math.cos(radFromDeg(angleDeg)))

/** Whether a setting lies within what a wrench is made for. */
export const wrenchReaches = (setting: number, { least, most }: { readonly least: number; readonly most: number }) =>
  setting < least ? 'below' : setting > most ? 'above' : 'within'
