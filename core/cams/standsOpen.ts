import type { BuildSheet, Cam } from '../model/buildSheet'
import { wrapToCycle } from '../units'
import { valveEvents } from './valveEvents'

/** Which of some valves stand open at a place of the crank by the book, and which cannot be told: their opening or closing is not known. Crank degrees on the cycle. */
export function standsOpen(
  sheet: BuildSheet,
  cams: readonly Cam[],
  crankDeg: number,
): { readonly open: readonly Cam[]; readonly notTold: readonly Cam[] } {
  const open: Cam[] = []
  const notTold: Cam[] = []
  for (const cam of cams) {
    const { opens, closes } = valveEvents(sheet, cam)
    if (opens === undefined || closes === undefined) notTold.push(cam)
    else if (wrapToCycle(crankDeg - opens, sheet.cycleDeg) < wrapToCycle(closes - opens, sheet.cycleDeg)) open.push(cam)
  }
  return { open, notTold }
}
