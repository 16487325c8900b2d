import { findRoot } from '../geometry'
import { err, ok, type Result } from '../result'

/** Lift of one lobe against the crank: degrees from its centre, + = later; millimetres where the sheet measures it. */
export interface CamProfile {
  readonly topLiftMm: number
  /** Where it leaves and comes back to nothing. */
  readonly fromDeg: number
  readonly toDeg: number
  readonly liftAt: (deg: number) => number
  /** mm per degree, signed. */
  readonly slopeAt: (deg: number) => number
  /** The one place on a flank with that lift; undefined below nothing or above the top. */
  readonly degAtLift: (liftMm: number, flank: Flank) => number | undefined
}
export type Flank = 'opening' | 'closing'

export type ProfileError =
  | { readonly code: 'topNotAboveCheck'; readonly topLiftMm: number; readonly checkingLiftMm: number }
  | { readonly code: 'tooShort'; readonly leastDeg: number }
  | { readonly code: 'tableNotRising'; readonly atDeg: number }
  | { readonly code: 'tableTooShort' }

/** A quiet ramp: this share of the top lift but no more than so many millimetres, over so many crank degrees. Common practice, no source. */
const RAMP_SHARE = 0.04
const MOST_RAMP_MM = 0.3
const RAMP_DEG = 40
const LEAST_HALF_DEG = RAMP_DEG / 2 + 10

/** The main event: 1 - 15/8 x² + 5/4 x⁶ - 3/8 x¹⁰, whose slope is -15/4 x (1 - x⁴)²: it only falls, and ends without slope or acceleration.
 *  Of the family of polynomial cams of Dudley, 1948 (from memory). */
const main = (x: number) => (x >= 1 ? 0 : 1 - 1.875 * x ** 2 + 1.25 * x ** 6 - 0.375 * x ** 10)
const mainSlope = (x: number) => (x >= 1 ? 0 : -3.75 * x * (1 - x ** 4) ** 2)

interface Flanked {
  /** From the centre to the end of the main event. */
  readonly halfDeg: number
  readonly topLiftMm: number
  readonly rampMm: number
}

function flankLift({ halfDeg, topLiftMm, rampMm }: Flanked, fromCentreDeg: number): number {
  const u = (fromCentreDeg - halfDeg) / RAMP_DEG + 0.5
  const ramp = u <= 0 ? 1 : u >= 1 ? 0 : (1 + Math.cos(Math.PI * u)) / 2
  return (topLiftMm - rampMm) * main(fromCentreDeg / halfDeg) + rampMm * ramp
}

function flankSlope({ halfDeg, topLiftMm, rampMm }: Flanked, fromCentreDeg: number): number {
  const u = (fromCentreDeg - halfDeg) / RAMP_DEG + 0.5
  const ramp = u <= 0 || u >= 1 ? 0 : (-Math.PI / 2 / RAMP_DEG) * Math.sin(Math.PI * u)
  return ((topLiftMm - rampMm) * mainSlope(fromCentreDeg / halfDeg)) / halfDeg + rampMm * ramp
}

/** A standard cam through what is known: the top lift, and how far from the centre it opens and closes at the checking lift. Smooth, with ramps,
 *  without slope where it has no lift. It is a stand-in for the real lobe: good for drawing and for small conversions near the figures it goes
 *  through. Errors: the checking lift is not below the top; the event is too short for a lobe. */
export function makeProfile({
  topLiftMm,
  checkingLiftMm,
  opensHalfDeg,
  closesHalfDeg,
}: {
  readonly topLiftMm: number
  readonly checkingLiftMm: number
  readonly opensHalfDeg: number
  readonly closesHalfDeg: number
}): Result<CamProfile, ProfileError> {
  if (checkingLiftMm <= 0 || checkingLiftMm >= topLiftMm * 0.95)
    return err({ code: 'topNotAboveCheck', topLiftMm, checkingLiftMm })
  const rampMm = Math.min(MOST_RAMP_MM, RAMP_SHARE * topLiftMm)
  const flankOf = (checkDeg: number): Flanked | undefined => {
    const lift = (halfDeg: number) => flankLift({ halfDeg, topLiftMm, rampMm }, checkDeg) - checkingLiftMm
    if (checkDeg <= 0 || lift(LEAST_HALF_DEG) > 0 || lift(400) < 0) return undefined
    return { halfDeg: findRoot(lift, LEAST_HALF_DEG, 400), topLiftMm, rampMm }
  }
  const [opening, closing] = [flankOf(opensHalfDeg), flankOf(closesHalfDeg)]
  if (!opening || !closing) return err({ code: 'tooShort', leastDeg: 2 * LEAST_HALF_DEG })
  const on = (deg: number) => (deg < 0 ? opening : closing)
  const ends = { opening: opening.halfDeg + RAMP_DEG / 2, closing: closing.halfDeg + RAMP_DEG / 2 }
  return ok({
    topLiftMm,
    fromDeg: -ends.opening,
    toDeg: ends.closing,
    liftAt: (deg) => flankLift(on(deg), Math.abs(deg)),
    slopeAt: (deg) => (Math.sign(deg) || 1) * flankSlope(on(deg), Math.abs(deg)) + 0,
    degAtLift: (liftMm, flank) => {
      if (liftMm < 0 || liftMm > topLiftMm) return undefined
      const side = flank === 'opening' ? opening : closing
      const deg = findRoot((x) => liftMm - flankLift(side, x), 0, ends[flank])
      return flank === 'opening' ? 0 - deg : deg
    },
  })
}

export interface LiftRow {
  readonly deg: number
  readonly liftMm: number
}

/** A lobe as it was measured or published, through its points by monotone cubics, so that it never overshoots. Rows in order of angle; lift rises
 *  to its top and falls again. Errors: too few rows, or lift that turns about on a flank by more than a hundredth of the top.
 *  Source: Fritsch and Carlson, SIAM J. Numer. Anal. 17 (1980). */
export function profileFromTable(table: readonly LiftRow[]): Result<CamProfile, ProfileError> {
  const rows = [...table].sort((a, b) => a.deg - b.deg).filter((row, i, all) => i === 0 || row.deg !== all[i - 1]?.deg)
  const topLiftMm = Math.max(0, ...rows.map(({ liftMm }) => liftMm))
  if (rows.length < 4 || topLiftMm <= 0) return err({ code: 'tableTooShort' })
  const top = rows.findIndex(({ liftMm }) => liftMm === topLiftMm)
  const turned = rows.findIndex(({ liftMm }, i) => {
    const before = rows[i - 1]?.liftMm ?? liftMm
    return (i <= top ? before - liftMm : liftMm - before) > topLiftMm / 100
  })
  if (turned >= 0) return err({ code: 'tableNotRising', atDeg: rows[turned]?.deg ?? 0 })
  const curve = monotoneCubic(rows)
  const [first, last] = [rows[0] as LiftRow, rows.at(-1) as LiftRow]
  const topDeg = rows[top]?.deg ?? 0
  return ok({
    topLiftMm,
    fromDeg: first.deg,
    toDeg: last.deg,
    liftAt: (deg) => (deg < first.deg || deg > last.deg ? 0 : Math.max(0, curve(deg).value)),
    slopeAt: (deg) => (deg < first.deg || deg > last.deg ? 0 : curve(deg).slope),
    degAtLift: (liftMm, flank) => {
      if (liftMm < 0 || liftMm > topLiftMm) return undefined
      const f = (x: number) => curve(x).value
      return flank === 'opening'
        ? findRoot((x) => f(x) - liftMm, first.deg, topDeg)
        : findRoot((x) => liftMm - f(x), topDeg, last.deg)
    },
  })
}

function monotoneCubic(rows: readonly LiftRow[]) {
  const n = rows.length
  const row = (i: number) => rows[i] as LiftRow
  const secant = Array.from(
    { length: n - 1 },
    (_, i) => (row(i + 1).liftMm - row(i).liftMm) / (row(i + 1).deg - row(i).deg),
  )
  const slopes = rows.map((_row, i) => {
    const [left = secant[i] ?? 0, right = secant[i - 1] ?? 0] = [secant[i - 1], secant[i]]
    if (i === 0 || i === n - 1) return i === 0 ? (secant[0] ?? 0) : (secant[n - 2] ?? 0)
    if (left * right <= 0) return 0
    // Three times the smaller secant is the most that keeps a cubic from overshooting.
    const mean = (left + right) / 2
    return Math.sign(mean) * Math.min(Math.abs(mean), 3 * Math.min(Math.abs(left), Math.abs(right)))
  })
  return (deg: number) => {
    let [low, high] = [0, n - 2]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (row(middle).deg <= deg) low = middle
      else high = middle - 1
    }
    const [a, b] = [row(low), row(low + 1)]
    const h = b.deg - a.deg
    const t = (deg - a.deg) / h
    const [ma, mb] = [(slopes[low] ?? 0) * h, (slopes[low + 1] ?? 0) * h]
    const value =
      (2 * t ** 3 - 3 * t ** 2 + 1) * a.liftMm +
      (t ** 3 - 2 * t ** 2 + t) * ma +
      (-2 * t ** 3 + 3 * t ** 2) * b.liftMm +
      (t ** 3 - t ** 2) * mb
    const slope =
      ((6 * t ** 2 - 6 * t) * (a.liftMm - b.liftMm) + (3 * t ** 2 - 4 * t + 1) * ma + (3 * t ** 2 - 2 * t) * mb) / h
    return { value, slope }
  }
}

/** The share of a conversion between checking lifts that a stand-in lobe may be wrong by, one sigma. Common practice, no source. */
const CONVERSION_SIGMA_SHARE = 0.15

/** How much later an event comes at another checking lift, crank degrees, with what the stand-in lobe may be wrong by. Undefined outside the lobe. */
export function convertEvent(
  profile: CamProfile,
  flank: Flank,
  { fromMm, toMm }: { readonly fromMm: number; readonly toMm: number },
): { readonly laterDeg: number; readonly sigmaDeg: number } | undefined {
  const [from, to] = [profile.degAtLift(fromMm, flank), profile.degAtLift(toMm, flank)]
  if (from === undefined || to === undefined) return undefined
  return { laterDeg: to - from, sigmaDeg: Math.abs(to - from) * CONVERSION_SIGMA_SHARE }
}
