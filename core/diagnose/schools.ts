/** What a school says of a lateness at the cam, crank degrees. */
export type BandCode = 'leave' | 'correctAndWatch' | 'pumpAndPlan' | 'chainNow' | 'trim' | 'resetCamshaft' | 'early'

export interface Band {
  readonly code: BandCode
  /** From so many degrees on, included or not. */
  readonly fromDeg: number
  readonly fromIncluded: boolean
  readonly ours: boolean
}

/** Bands of the schools, in order. Those marked ours fill what common practice leaves open. Source: handbook 10, common practice. */
const BANDS: Readonly<Record<'roadDiesel' | 'marine', readonly Band[]>> = {
  roadDiesel: [
    { code: 'leave', fromDeg: 0, fromIncluded: true, ours: false },
    { code: 'correctAndWatch', fromDeg: 3, fromIncluded: true, ours: true },
    { code: 'pumpAndPlan', fromDeg: 6, fromIncluded: true, ours: true },
    { code: 'chainNow', fromDeg: 8, fromIncluded: true, ours: false },
  ],
  marine: [
    { code: 'trim', fromDeg: 0, fromIncluded: true, ours: false },
    { code: 'resetCamshaft', fromDeg: 2, fromIncluded: false, ours: false },
  ],
}

/** The band of a lateness by a school, and how far it is to the next one; a limit met exactly falls where the band says. An early cam is no
 *  wear, and no band speaks of it. */
export function bandOf(
  latenessDeg: number,
  school: 'roadDiesel' | 'marine',
): { readonly band: Band; readonly toNextDeg: number | undefined } {
  const bands = BANDS[school]
  if (latenessDeg < -0.05)
    return { band: { code: 'early', fromDeg: 0, fromIncluded: true, ours: true }, toNextDeg: undefined }
  const inside = ({ fromDeg, fromIncluded }: Band) => (fromIncluded ? latenessDeg >= fromDeg : latenessDeg > fromDeg)
  const at = bands.findLastIndex((band) => inside(band) || band.fromDeg === 0)
  const next = bands[at + 1]
  return { band: bands[at] as Band, toNextDeg: next && next.fromDeg - latenessDeg }
}
