import { describe, expect, test } from 'vitest'
import { gaussian, makeRandom } from '../random'
import { camOf, sheetWithCams, type CamFigures } from '../testing/sheetWithCams'
import {
  isSaid,
  latenessFromCentre,
  latenessFromEqualLift,
  latenessFromRocking,
  latenessFromTdcLift,
  type CamLateness,
  type ReadLateness,
} from '.'

/* Real lobes are not the stand-in. Each member of a family of lobes, taken alone, read with a dial's noise by somebody who has only the book's figures:
 * two sigma hold the truth. The lobes are made here, by another route than the code's: each flank by its own motion, its length found by halving. */

type Motion = (x: number) => number
const ramp =
  (share: number, over: number): Motion =>
  (x) =>
    x < over
      ? (share * (1 - Math.cos((Math.PI * x) / over))) / 2
      : share + ((1 - share) * (1 - Math.cos((Math.PI * (x - over)) / (1 - over)))) / 2
const motions: Readonly<Record<string, Motion>> = {
  '3-4-5 polynomial': (x) => 10 * x ** 3 - 15 * x ** 4 + 6 * x ** 5,
  cycloidal: (x) => x - Math.sin(2 * Math.PI * x) / (2 * Math.PI),
  'harmonic, low ramp': ramp(0.02, 0.22),
  'harmonic, high ramp': ramp(0.04, 0.28),
}
interface Book {
  readonly opens: number
  readonly closes: number
  readonly top: number
  readonly check: number
}

/** Lift over degrees from the middle of opening and closing; `longer`: the opening flank is so much longer than the closing one. */
function cut(motion: Motion, { opens, closes, top, check }: Book, longer: number) {
  const whole = opens + closes + 180
  const up = (whole * longer) / (1 + longer)
  const nose = up - whole / 2
  const lengthOf = (toEvent: number) => {
    let [low, high] = [toEvent, 4 * toEvent]
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2
      if (top * motion(1 - toEvent / middle) > check) high = middle
      else low = middle
    }
    return low
  }
  const [opening, closing] = [lengthOf(up), lengthOf(whole - up)]
  return (deg: number) => {
    const x = 1 - Math.abs(deg - nose) / (deg < nose ? opening : closing)
    return x <= 0 ? 0 : top * motion(x)
  }
}

const inlet: Book = { opens: 17, closes: 57, top: 9, check: 0.5 }
const exhaust: Book = { opens: 60, closes: 20, top: 8.6, check: 0.5 }
const figures = ({ opens, closes, top, check }: Book, more: CamFigures = {}): CamFigures => ({
  opensDeg: opens,
  closesDeg: closes,
  topLiftMm: top,
  checkingLiftMm: check,
  ...more,
})
const members = Object.keys(motions).flatMap((name) =>
  [1 / 1.15, 1, 1.15].flatMap((longer) => [1 / 1.15, 1.15].map((other) => ({ name, longer, other }))),
)
const dialSigma = 0.02
const wheelSigmaDeg = 0.15

type Lift = (deg: number) => number
interface Bench {
  readonly random: () => number
  readonly i: Lift
  readonly e: Lift
}
const benchOf = (more: { i?: CamFigures; e?: CamFigures } = {}, top = true) => {
  const bare = ({ topLiftMm: _top, ...rest }: CamFigures): CamFigures => rest
  const [inletFigures, exhaustFigures] = [figures(inlet, more.i), figures(exhaust, more.e)]
  const sheet = sheetWithCams(top ? inletFigures : bare(inletFigures), top ? exhaustFigures : bare(exhaustFigures))
  const by = { sheet, wheelSigmaAt: () => wheelSigmaDeg, zero: { wheelDeg: 0, sigmaDeg: 0.2 } }
  return { by, pair: { inlet: camOf(sheet, 'inlet'), exhaust: camOf(sheet, 'exhaust') } }
}
const book = benchOf()
const noTop = benchOf({}, false)

/** Where both stand alike, read on the wheel: looked for step by step, then halved. */
function alikeAt({ i, e }: Bench, late: number): number {
  const off = (deg: number) => i(deg - 110 - late) - e(deg + 110 - late)
  let [low, high] = [-40, 40]
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2
    if (off(middle) < 0) low = middle
    else high = middle
  }
  return low
}

function pairAt({ i, random }: Bench, late: number, liftMm: number) {
  const edge = (sign: 1 | -1) => {
    let [inside, outside] = [0, 200]
    for (let k = 0; k < 60; k++) {
      const middle = (inside + outside) / 2
      if (i(sign * middle) > liftMm + dialSigma * gaussian(random)) inside = middle
      else outside = middle
    }
    return 110 + late + sign * inside + wheelSigmaDeg * gaussian(random)
  }
  return { liftMm, upDeg: edge(-1), downDeg: edge(1) }
}

const ways: Readonly<Record<string, (bench: Bench, late: number) => ReadLateness<CamLateness>>> = {
  'lift at TDC': ({ i, random }, late) =>
    latenessFromTdcLift(book.by, book.pair.inlet, i(-110 - late) + dialSigma * gaussian(random)),
  'lift at TDC, the book’s own known': ({ i, random }, late) => {
    const { by, pair } = benchOf({ i: { tdcLiftMm: i(-110) } })
    return latenessFromTdcLift(by, pair.inlet, i(-110 - late) + dialSigma * gaussian(random))
  },
  'rocking by two lifts': ({ i, e, random }, late) =>
    latenessFromRocking(book.by, book.pair, {
      inletMm: i(-110 - late) + dialSigma * gaussian(random),
      exhaustMm: e(110 - late) + dialSigma * gaussian(random),
    }),
  'rocking by two lifts, no top lift': ({ i, e, random }, late) =>
    latenessFromRocking(noTop.by, noTop.pair, {
      inletMm: i(-110 - late) + dialSigma * gaussian(random),
      exhaustMm: e(110 - late) + dialSigma * gaussian(random),
    }),
  'rocking by where both stand alike': (bench, late) =>
    latenessFromEqualLift(
      book.by,
      book.pair,
      alikeAt(bench, late) + 0.75 * gaussian(bench.random) + wheelSigmaDeg * gaussian(bench.random),
      0.75,
    ),
  'the middle of equal lifts': (bench, late) =>
    latenessFromCentre(
      { ...book.by, zero: { wheelDeg: 0, sigmaDeg: 0.2 } },
      book.pair.inlet,
      [2, 4, 6].map((liftMm) => pairAt(bench, late, liftMm)),
    ),
}

describe.each(Object.keys(ways))('%s', (way) => {
  test.each(members)('$name, opening flank $longer, exhaust’s $other', ({ name, longer, other }) => {
    const motion = motions[name] as Motion
    const random = makeRandom(20261127)
    const bench: Bench = { random, i: cut(motion, inlet, longer), e: cut(motion, exhaust, other) }
    // Lobes without a top lift are fitted to every reading anew.
    const trials = way.endsWith('no top lift') ? 50 : 120
    let held = 0
    for (let k = 0; k < trials; k++) {
      const late = 8 * random() - 4
      const read = ways[way]?.(bench, late) ?? 'noSpec'
      if (!isSaid(read)) throw new Error(read)
      const zeroOff = 0.2 * gaussian(random)
      if (Math.abs(read.latenessDeg + zeroOff - late) <= 2 * read.sigmaDeg) held++
    }
    expect(held / trials).toBeGreaterThanOrEqual(0.94)
  })
})

test('what the shape leaves open is said, and what the book’s lift at TDC would make of it', () => {
  const i = cut(motions['cycloidal'] as Motion, inlet, 1)
  const read = latenessFromTdcLift(book.by, book.pair.inlet, i(-110))
  if (!isSaid(read)) throw new Error(read)
  expect(read.shapeDeg).toBeGreaterThan(1)
  expect(read.shapeWithTdcLiftDeg ?? 9).toBeLessThan(0.5 * (read.shapeDeg ?? 0))
})
