import { makeSliderCrank } from '../kinematics'
import { mm, radFromDeg, type Mm } from '../units'
import { dialReadingSigmaDeg, USUAL_ROD_RATIOS } from './dialSigma'

export interface StopPlan {
  readonly contactDeg: number
  readonly dropMm: Mm
  /** How far the stop reaches below the seat, along the hole; undefined while the crown was not probed. With a rod that is not known:
   *  for the usual range of ratios, short to long. */
  readonly protrusionMm: { readonly least: Mm; readonly most: Mm } | undefined
}

/** Contacts nearer than 15° are blunt and bang; further than 40° the stop carries the piston's weight on a long lever. Common practice. */
export const STOP_CONTACTS_DEG = [15, 20, 25, 30, 35, 40] as const

/** What reach of a piston stop gives contact so many degrees from the top. The crown, probed down the hole at TDC, moves away along it
 *  by the drop over the cosine of the hole's angle. Undefined without a stroke or with sizes that cannot turn.
 *  Source: slider-crank and plain trigonometry; a flat crown where the stop meets it is assumed. */
export function planStop({
  strokeMm,
  rodMm,
  plugDepthMm,
  plugAngleDeg = 0,
}: {
  readonly strokeMm: number | undefined
  readonly rodMm: number | undefined
  readonly plugDepthMm: number | undefined
  readonly plugAngleDeg?: number | undefined
}): readonly StopPlan[] | undefined {
  if (strokeMm === undefined) return undefined
  const rods = rodMm === undefined ? USUAL_ROD_RATIOS.map((ratio) => ratio * strokeMm) : [rodMm]
  const cranks = rods.flatMap((rod) => {
    const made = makeSliderCrank({ strokeMm, rodMm: rod, pinOffsetMm: 0 })
    return made.ok ? [made.value] : []
  })
  if (cranks.length === 0) return undefined
  return STOP_CONTACTS_DEG.map((contactDeg) => {
    const drops = cranks.map(({ dropMm }) => dropMm(contactDeg))
    const reach = (dropMm: number) => mm((plugDepthMm ?? 0) + dropMm / Math.cos(radFromDeg(plugAngleDeg)))
    return {
      contactDeg,
      dropMm: mm(drops.reduce((sum, drop) => sum + drop, 0) / drops.length),
      protrusionMm:
        plugDepthMm === undefined ? undefined : { least: reach(Math.min(...drops)), most: reach(Math.max(...drops)) },
    }
  })
}

export interface DialPlanPoint {
  readonly dropMm: number
  readonly atDeg: number
  /** One sigma of TDC from one pair at this drop, degrees. */
  readonly sigmaDeg: number
}

/** The ± of TDC against the drop at which a dial is read, and the least drop at which the dial no longer matters: where its part is a
 *  third of the wheel's. Drops up to a tenth of the stroke. Undefined without a stroke or with sizes that cannot turn. */
export function planDial({
  strokeMm,
  rodMm,
  wheelSigmaDeg,
  readToMm,
}: {
  readonly strokeMm: number | undefined
  readonly rodMm: number | undefined
  readonly wheelSigmaDeg: number
  readonly readToMm: number
}): { readonly points: readonly DialPlanPoint[]; readonly fromDropMm: number } | undefined {
  if (strokeMm === undefined) return undefined
  const made = makeSliderCrank({ strokeMm, rodMm: rodMm ?? USUAL_ROD_RATIOS[1] * strokeMm, pinOffsetMm: 0 })
  if (!made.ok) return undefined
  const most = strokeMm / 10
  const points = Array.from({ length: 40 }, (_, i): DialPlanPoint => {
    const dropMm = (most * (i + 1) ** 2) / 1600
    const atDeg = made.value.degAtDrop(dropMm, 'after') ?? 0
    const sigmaDeg = dialReadingSigmaDeg({ wheelSigmaDeg, readToMm, dropMm, halfSpanDeg: atDeg }) / Math.SQRT2
    return { dropMm, atDeg, sigmaDeg }
  })
  const enough = (wheelSigmaDeg / Math.SQRT2) * Math.hypot(1, 1 / 3)
  const from = points.find(({ sigmaDeg }) => sigmaDeg <= enough) ?? points.at(-1)
  return { points, fromDropMm: from?.dropMm ?? most }
}

/** How much not knowing the rod matters: drop at an angle before TDC over the usual range of ratios, and the same as an angle at the
 *  drop of the middle one. TDC by halving does not depend on it at all. */
export function rodDoubt(
  strokeMm: number,
  beforeDeg: number,
): { readonly dropsMm: readonly number[]; readonly spreadDeg: number } {
  const cranks = USUAL_ROD_RATIOS.flatMap((ratio) => {
    const made = makeSliderCrank({ strokeMm, rodMm: ratio * strokeMm, pinOffsetMm: 0 })
    return made.ok ? [made.value] : []
  })
  const dropsMm = cranks.map(({ dropMm }) => dropMm(-beforeDeg))
  const at = cranks.map(({ degAtDrop }) => degAtDrop(dropsMm[1] ?? 0, 'after') ?? 0)
  return { dropsMm, spreadDeg: Math.max(...at) - Math.min(...at) }
}
