/** What a school says of a lateness at the cam, crank degrees. */
export type BandCode =
  'leave' | 'correctAndWatch' | 'pumpAndPlan' | 'chainNow' | 'trim' | 'resetCamshaft' | 'early' | 'own'

export interface Band {
  readonly code: BandCode
  /** From so many degrees on, included or not. */
  readonly fromDeg: number
  readonly fromIncluded: boolean
  readonly ours: boolean
  /** Of a workshop's own: what is done then. */
  readonly says?: string
}

/** Whose bands a lateness is held against: a school's, or a workshop's own, in order and the first from 0. */
export type BandsOf = 'roadDiesel' | 'marine' | readonly { readonly fromDeg: number; readonly says: string }[]

const listOf = (whose: BandsOf): readonly Band[] =>
  typeof whose === 'string'
    ? BANDS[whose]
    : whose.map(({ fromDeg, says }) => ({ code: 'own', fromDeg, fromIncluded: true, ours: false, says }))

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

export interface Banded {
  /** The band that the figure itself lies in. */
  readonly band: Band
  /** in: so is its whole ±. onLimit: the ± reaches over one limit, and is small beside the bands there: read again. cannotTell: it is not. */
  readonly sure: 'in' | 'onLimit' | 'cannotTell'
  /** The limit that the ± reaches over, degrees. */
  readonly limitDeg?: number
  /** To the next limit, degrees. */
  readonly toNextDeg: number | undefined
}

/** The ± that a figure on a limit may have, against the narrower of the closed bands beside it. Ours. */
const ON_LIMIT_SHARE = 0.25

/** The band of a lateness by a school with its ± (two sigma), and how far it is to the next one; a limit met exactly falls where the band says. An early
 *  cam is no wear, and no band speaks of it. */
export function bandOf(latenessDeg: number, plusMinusDeg: number, whose: BandsOf): Banded {
  const bands = listOf(whose)
  const [least, most] = [latenessDeg - plusMinusDeg, latenessDeg + plusMinusDeg]
  if (most < 0 || latenessDeg < -plusMinusDeg - 0.05)
    return {
      band: { code: 'early', fromDeg: 0, fromIncluded: true, ours: true },
      sure: 'in',
      toNextDeg: undefined,
    }
  const indexOf = (deg: number) =>
    bands.findLastIndex((one) => one.fromDeg === 0 || deg > one.fromDeg || (one.fromIncluded && deg === one.fromDeg))
  const at = indexOf(latenessDeg)
  const next = bands[at + 1]
  const banded = { band: bands[at] as Band, toNextDeg: next && next.fromDeg - latenessDeg }
  const [from, to] = [indexOf(Math.max(0, least)), indexOf(most)]
  if (from === to) return { ...banded, sure: 'in' }
  const limitDeg = bands[to]?.fromDeg ?? 0
  const widths = [to - 1, to].flatMap((i) => {
    const [one, after] = [bands[i], bands[i + 1]]
    return one && after ? [after.fromDeg - one.fromDeg] : []
  })
  const near = to - from === 1 && plusMinusDeg <= ON_LIMIT_SHARE * Math.min(...widths)
  return { ...banded, sure: near ? 'onLimit' : 'cannotTell', limitDeg }
}
