import { findRoot } from '../geometry'
import type { CamProfile, Flank } from './profile'

/** A lobe as far as readings near overlap need it. */
export type Lobe = Pick<CamProfile, 'liftAt' | 'degAtLift'>

/** What a book says of a lobe: its top, and how far from its centre it opens and closes at the checking lift. */
export interface LobeFigures {
  readonly topLiftMm: number
  readonly checkingLiftMm: number
  readonly opensHalfDeg: number
  readonly closesHalfDeg: number
}

/** Lift as a share of the top, from the foot of a flank (0) to the top (1), always rising. */
type Rise = (x: number) => number

/** A ramp to a share of the top over a share of the flank, then harmonic motion. */
const rampedHarmonic =
  (share: number, over: number): Rise =>
  (x) =>
    x < over
      ? (share * (1 - Math.cos((Math.PI * x) / over))) / 2
      : share + ((1 - share) * (1 - Math.cos((Math.PI * (x - over)) / (1 - over)))) / 2

/** Shapes of flank that lobes are cut to: the 3-4-5 polynomial, the cycloid, and harmonic motion off a low, a usual and a high ramp. Source: motions of
 *  every handbook of machine elements (from memory); the ramps are common practice, no source. */
const SHAPES: readonly Rise[] = [
  (x) => 10 * x ** 3 - 15 * x ** 4 + 6 * x ** 5,
  (x) => x - Math.sin(2 * Math.PI * x) / (2 * Math.PI),
  rampedHarmonic(0.015, 0.2),
  rampedHarmonic(0.03, 0.25),
  rampedHarmonic(0.045, 0.3),
]
/** Flanks unlike by up to 15%: the top stands so much of the whole event either side of the middle. Ours. */
export const MOST_UNLIKE = 0.15 / (2 * 2.15)
const UNLIKE = [-MOST_UNLIKE, 0, MOST_UNLIKE]

/** Each shape at so many places, to look up where it rises to a share. */
const STEPS = 256
const looked = SHAPES.map((rise) => Array.from({ length: STEPS + 1 }, (_, i) => rise(i / STEPS)))

/** Where a shape has risen to a share of the top: between two places looked up, then found. */
function inverse(shape: number, share: number): number {
  const known = looked[shape] ?? []
  const rise = SHAPES[shape] as Rise
  let [low, high] = [0, STEPS]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((known[middle] ?? 1) < share) low = middle
    else high = middle
  }
  return findRoot((x) => rise(x) - share, low / STEPS, high / STEPS)
}

/** One lobe of the family: which shape, and which way its flanks are unlike. */
export interface Member {
  readonly shape: number
  readonly unlike: number
}
export const MEMBERS: readonly Member[] = SHAPES.flatMap((_, shape) => UNLIKE.map((unlike) => ({ shape, unlike })))

/** The lobe of that shape through the book's events and its top. */
export const lobeOfShape = (figures: LobeFigures, { shape, unlike }: Member): Lobe => lobeOf(shape, figures, unlike)

/** Lobes that the book's figures leave possible. */
export const lobeFamily = (figures: LobeFigures): Lobe[] => MEMBERS.map((member) => lobeOfShape(figures, member))

function lobeOf(shape: number, figures: LobeFigures, unlike: number): Lobe {
  const rise = SHAPES[shape] as Rise
  const { topLiftMm, checkingLiftMm, opensHalfDeg, closesHalfDeg } = figures
  const topDeg = unlike * (opensHalfDeg + closesHalfDeg)
  const up = 1 - inverse(shape, checkingLiftMm / topLiftMm)
  const length = { opening: (opensHalfDeg + topDeg) / up, closing: (closesHalfDeg - topDeg) / up }
  return {
    liftAt: (deg) => {
      const x = 1 - Math.abs(deg - topDeg) / (deg < topDeg ? length.opening : length.closing)
      return x <= 0 ? 0 : topLiftMm * rise(x)
    },
    degAtLift: (liftMm, flank: Flank) => {
      if (liftMm < 0 || liftMm > topLiftMm) return undefined
      const from = (1 - inverse(shape, liftMm / topLiftMm)) * length[flank]
      return flank === 'opening' ? topDeg - from : topDeg + from
    },
  }
}

/** The most that any of several answers lies from the one that is given. */
export const mostApart = (given: number, answers: readonly (number | undefined)[]): number =>
  answers.reduce<number>((most, one) => (one === undefined ? most : Math.max(most, Math.abs(one - given))), 0)
