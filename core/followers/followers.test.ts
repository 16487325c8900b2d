import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Follower } from '../model/buildSheet'
import { gaussian, makeRandom } from '../random'
import { oneChainSheet } from '../testing/oneChain'
import { planeSign, type Hand, type Side } from '../units'
import {
  addedToSeen,
  againstBand,
  aimOf,
  beforeTdc,
  betweenLines,
  degreesOfMm,
  handAtDriveEnd,
  handFromSide,
  judgeLeads,
  leadOrder,
  liftPlusMinus,
  mmOfDegrees,
  readLift,
  rodTravel,
  runningSpark,
  staticFromMost,
  swingHand,
  toCrankDeg,
  toOwnDeg,
  trueLift,
} from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const place = (sheet: BuildSheet, by: 'beforeTdc' | 'piston' | 'rim', value: number) => {
  const said = beforeTdc(sheet, { by, value, plusMinus: 0 })
  if (typeof said === 'string') throw new Error(said)
  return said
}
const magneto = (change: Partial<Follower> = {}): Follower => ({
  id: 'magneto',
  name: 'Magneto',
  kind: 'magneto',
  shaftId: 'magneto-shaft',
  setBy: ['swing'],
  outlets: [],
  ...change,
})
const withShaft = (num: number, den: number, change: Partial<BuildSheet> = {}): BuildSheet => {
  const base = oneChainSheet(change)
  return {
    ...base,
    shafts: [...base.shafts, { id: 'magneto-shaft', name: 'Magneto shaft', kind: 'magneto', ratio: { num, den } }],
  }
}

// Source: handbook 14 and 19, check values marked computed there.
describe('a place before TDC, and back', () => {
  const long = oneChainSheet({ strokeMm: known(76), rodMm: known(148) })
  test.each([
    [5.527, 28],
    [8.486, 35],
    [0.724, 10],
  ])('stroke 76, rod 148: %s mm of piston are %s degrees', (mm, deg) => {
    expect(place(long, 'piston', mm).deg).toBeCloseTo(deg, 1)
    expect(rodTravel(long, deg)).toBeCloseTo(mm, 3)
  })
  test('stroke 56, rod 110: 1.80 mm before is 18.467 degrees', () =>
    expect(place(oneChainSheet({ strokeMm: known(56), rodMm: known(110) }), 'piston', 1.8).deg).toBeCloseTo(18.467, 3))
  test('a rim of 620 mm: 28 degrees are 48.22 mm', () =>
    expect(place(oneChainSheet({ rimMm: known(620) }), 'rim', 48.22).deg).toBeCloseTo(28, 2))
  test('down a hole that leans 30 degrees 28 degrees want 6.382 mm, and 5.527 would be 26.0', () => {
    const leaning: BuildSheet = { ...long, plugAngleDeg: known(30), crown: 'flat' }
    expect(rodTravel(leaning, 28)).toBeCloseTo(6.382, 3)
    expect(place(leaning, 'piston', 5.527).deg).toBeCloseTo(26, 1)
  })
  test('on a dome a leaning hole tells nothing; neither while its crown or its lean was not said', () => {
    const on = (more: Partial<BuildSheet>) => beforeTdc({ ...long, ...more }, { by: 'piston', value: 5, plusMinus: 0 })
    expect(on({ plugAngleDeg: known(30), crown: 'dome' })).toBe('dome')
    expect(on({ plugAngleDeg: known(30) })).toBe('crownNotSaid')
    expect(on({ crown: 'dome' })).toBe('leanNotSaid')
    expect(on({ plugAngleDeg: known(0), crown: 'dome' })).toHaveProperty('deg')
  })
  test('without a rod it says from the shortest to the longest usual one, and never less', () => {
    const noRod = oneChainSheet({ strokeMm: known(76) })
    expect(noRod.rodMm).toBeUndefined()
    for (const mm of [5.764, 5.448]) {
      const said = place(noRod, 'piston', mm)
      expect(said.usualRod).toBe(true)
      expect(Math.abs(said.deg - 28)).toBeLessThanOrEqual(said.plusMinusDeg + 0.01)
    }
  })
  test('what cannot be told says what is missing', () => {
    const bare = oneChainSheet()
    expect(beforeTdc(bare, { by: 'piston', value: 5, plusMinus: 0 })).toBe('noStroke')
    expect(beforeTdc(bare, { by: 'rim', value: 5, plusMinus: 0 })).toBe('noRim')
    expect(beforeTdc(long, { by: 'piston', value: 200, plusMinus: 0 })).toBe('outOfStroke')
    expect(beforeTdc(long, { by: 'lift', value: 0.8, plusMinus: 0 })).toBe('lift')
  })
})

// Source: the issue's own figures, plain geometry: at R 60 and ratio 1/2 a millimetre is 0.955° own, 1.910° at the crank.
test('a millimetre at the slots is so many degrees of its own shaft, and of the crank', () => {
  expect(degreesOfMm(1, 60)).toBeCloseTo(0.955, 3)
  expect(toCrankDeg(degreesOfMm(1, 60), 'own', 1 / 2)).toBeCloseTo(1.91, 3)
  expect(mmOfDegrees(degreesOfMm(1.7, 60), 60)).toBeCloseTo(1.7, 12)
  expect(toCrankDeg(18, 'own', -1 / 2)).toBe(36)
  expect(toOwnDeg(36, 'crank', 1 / 2)).toBe(18)
})

describe('which way it turns, and is swung', () => {
  // By hand: the crank clockwise from the timing side, a magneto the other way round, its drive end looking away from that side.
  test('from the ratio and from where its drive end looks', () => {
    const sheet = withShaft(-1, 2)
    expect(handFromSide(sheet, magneto(), 'timing')).toBe('anticlockwise')
    expect(handAtDriveEnd(sheet, magneto({ driveEnd: 'timing' }))).toBe('anticlockwise')
    expect(handAtDriveEnd(sheet, magneto({ driveEnd: 'opposite' }))).toBe('clockwise')
  })
  test('across the engine it is as somebody said, and never made', () => {
    const sheet = withShaft(1, 2)
    expect(handAtDriveEnd(sheet, magneto({ driveEnd: 'across' }))).toBeUndefined()
    expect(handAtDriveEnd(sheet, magneto({ driveEnd: 'across', turns: known('clockwise') }))).toBe('clockwise')
    expect(handFromSide(sheet, magneto({ driveEnd: 'across' }), 'timing')).toBeUndefined()
    expect(handAtDriveEnd(sheet, magneto())).toBeUndefined()
  })

  // A body in the plane: it fires where its shaft has come to its own place against the body. Independently computed.
  test('swung as it is said, seen from either side of any drive, it comes to what is wanted', () => {
    const before = ({ bodyDeg, perCrank }: { bodyDeg: number; perCrank: number }) => -(bodyDeg / perCrank)
    fc.assert(
      fc.property(
        fc.constantFrom<[number, number]>([1, 2], [-1, 2], [1, 1], [-3, 2], [2, 3]),
        fc.constantFrom<Hand>('clockwise', 'anticlockwise'),
        fc.constantFrom<Side>('timing', 'opposite'),
        fc.double({ min: -20, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        ([num, den], running, side, foundDeg, wantedDeg) => {
          const sheet = withShaft(num, den, { running: known(running) })
          const perCrank = planeSign(running) * (num / den)
          let bodyDeg = -foundDeg * perCrank
          const short = wantedDeg - before({ bodyDeg, perCrank })
          const turns = handFromSide(sheet, magneto(), side)
          if (!turns) throw new Error('no hand')
          const hand = swingHand(turns, short >= 0 ? 'advance' : 'retard')
          const inPlane = (hand === 'anticlockwise' ? 1 : -1) * (side === 'timing' ? 1 : -1)
          bodyDeg += inPlane * toOwnDeg(Math.abs(short), 'crank', num / den)
          expect(before({ bodyDeg, perCrank })).toBeCloseTo(wantedDeg, 9)
        },
      ),
    )
  })
})

// By hand. A magneto at crank speed whose coupling lets go 25° of its own late, 20° of advance by itself.
describe('what is seen and what it runs at', () => {
  const sheet = withShaft(1, 1)
  const own = magneto({
    impulse: { lag: known(25), of: 'own' },
    advance: { by: 'automatic', most: known(20), of: 'crank' },
  })
  test('let go late it is seen 25 too late; held out it is seen as it is', () => {
    expect(addedToSeen(sheet, own, { pawls: 'free' })).toMatchObject({ deg: 25 })
    expect(addedToSeen(sheet, own, { pawls: 'heldOut' })).toMatchObject({ deg: 0 })
    expect(addedToSeen(sheet, own, {})).toBe('pawlsNotSaid')
    expect(runningSpark(sheet, own, { pawls: 'free', beforeDeg: 2 })?.deg).toBe(47)
    expect(runningSpark(sheet, own, { beforeDeg: 2 })).toBeUndefined()
  })
  test('on a shaft at half speed the lag of its own counts twice at the crank', () =>
    expect(addedToSeen(withShaft(1, 2), own, { pawls: 'free' })).toMatchObject({ deg: 50, lagDeg: 50 }))
  test('a hand advance is counted from where it stood', () => {
    const byHand = magneto({
      advance: { by: 'hand', most: known(15), of: 'own' },
      wanted: { by: 'beforeTdc', value: known(32), control: 'advanced' },
    })
    const half = withShaft(1, 2)
    expect(addedToSeen(half, byHand, { control: 'retarded' })).toMatchObject({ deg: 30 })
    expect(addedToSeen(half, byHand, { control: 'advanced' })).toMatchObject({ deg: 0 })
    expect(addedToSeen(half, byHand, {})).toBe('controlNotSaid')
    expect(runningSpark(half, byHand, { control: 'advanced', beforeDeg: 32 })?.deg).toBe(32)
    expect(runningSpark(half, byHand, { control: 'retarded', beforeDeg: 2 })?.deg).toBe(32)
  })
  test('what the most advance leaves to be set standing', () => expect(staticFromMost(38, 36)).toBe(2))
})

describe('between lines', () => {
  const line = (id: string, claimDeg: number) => ({
    id,
    name: `${-claimDeg}`,
    where: 'flywheel',
    seenFrom: 'timing' as const,
    cutFor: 'spark' as const,
    cylinderId: 'cyl-1',
    claimDeg: known(claimDeg),
  })
  const sheet = oneChainSheet({ rimMm: known(720), rimMarks: [line('five', -5), line('ten', -10), line('zero', 0)] })
  // Source: handbook 19: of two lines 5° apart, 3° before the later one is 2° after the earlier, 0.4 of the way.
  test('3 before the line at 0 is 2 past the line at 5, two fifths of the way', () =>
    expect(betweenLines(sheet, 3, 'cyl-1')).toMatchObject({
      from: { id: 'five' },
      pastDeg: 2,
      pastMm: 4,
      to: { id: 'zero' },
      fraction: 0.4,
    }))
  test('on a line it is that line', () =>
    expect(betweenLines(sheet, 10, 'cyl-1')).toMatchObject({ from: { id: 'ten' }, pastDeg: 0, fraction: 0 }))
  test('a line that a job found out is taken where it was found', () => {
    const found = { ...line('five', -5), errorDeg: known(1) }
    expect(betweenLines({ ...sheet, rimMarks: [found, line('zero', 0)] }, 3, 'cyl-1')).toMatchObject({
      pastDeg: 1,
      fraction: 0.25,
    })
  })
  test('a line for assembly is none', () =>
    expect(
      betweenLines({ ...sheet, rimMarks: [{ ...line('five', -5), cutFor: 'assembly' }] }, 3, 'cyl-1'),
    ).toBeUndefined())
})

describe('what is wanted', () => {
  const pump = magneto({
    kind: 'distributorPump',
    wanted: { by: 'lift', value: known(0.82), least: known(0.79), most: known(0.85), brisker: known(0.93) },
  })
  test('by the book, or a brisker one with its reason, which lies outside the book’s band', () => {
    expect(aimOf(pump, undefined)).toMatchObject({ value: 0.82, least: 0.79, most: 0.85, outsideBook: false })
    const brisk = aimOf(pump, { by: 'lift', value: 0.93, which: 'brisker', reason: 'pulls better' })
    expect(brisk).toMatchObject({ outsideBook: true, reason: 'pulls better' })
    expect(brisk?.least).toBeCloseTo(0.9, 12)
    expect(brisk?.most).toBeCloseTo(0.96, 12)
  })
  test.each([
    [0.64, 'under', 'sure'],
    [0.79, 'in', 'onLimit'],
    [0.82, 'in', 'sure'],
    [0.86, 'over', 'onLimit'],
  ] as const)('%s against 0.79 to 0.85, ± 0.02: %s, %s', (value, is, sure) =>
    expect(againstBand({ value, plusMinus: 0.02 }, { least: 0.79, most: 0.85 })).toMatchObject({ is, sure }),
  )
  test('a ± as wide as the band cannot be told', () =>
    expect(againstBand({ value: 0.84, plusMinus: 0.05 }, { least: 0.79, most: 0.85 }).sure).toBe('cannotTell'))
})

describe('leads on a cap', () => {
  const order = ['a', 'c', 'd', 'b']
  test('in the order of firing they are right, from whichever segment they begin', () => {
    expect(judgeLeads(order, ['d', 'b', 'a', 'c'])).toMatchObject({ right: true })
    expect(leadOrder(order, 'd').map(({ cylinderId, ownDeg }) => [cylinderId, ownDeg])).toEqual([
      ['d', 0],
      ['b', 90],
      ['a', 180],
      ['c', 270],
    ])
  })
  test('two that change places are named', () =>
    expect(judgeLeads(order, ['a', 'd', 'c', 'b'])?.crossed).toEqual(['d', 'c']))
  test('any two of six crossed are found, whichever they are', () => {
    const six = ['1', '5', '3', '6', '2', '4']
    for (let i = 0; i < 6; i++)
      for (let k = i + 1; k < 6; k++) {
        const leads = [...six]
        ;[leads[i], leads[k]] = [six[k] ?? '', six[i] ?? '']
        expect(judgeLeads(six, leads)?.crossed?.toSorted()).toEqual([six[i], six[k]].toSorted())
      }
  })
  test('other cylinders say nothing', () => expect(judgeLeads(order, ['a', 'c', 'd', 'x'])).toBeUndefined())
})

// Independently computed: a plunger cam with play, a needle that hangs, rounding, and a TDC that is not where it should be.
test('over 4,000 simulated settings two sigma of a lift hold the truth as often as they should', () => {
  const random = makeRandom(17)
  let holds = 0
  const N = 4000
  for (let i = 0; i < N; i++) {
    const perDeg = 0.03 + 0.06 * random()
    const pump = {
      beginsBeforeDeg: 12 + 10 * random(),
      perDeg,
      easesOverDeg: 6 + 6 * random(),
      ratio: 0.5,
      slotRadiusMm: 60,
      pullMm: 0,
      frictionMm: 0.01 * random(),
    }
    const tdcSigma = 0.05 + 0.25 * random()
    const seen = readLift(pump, { swungMm: 0, tdcOffDeg: tdcSigma * gaussian(random), random })
    const plusMinus = liftPlusMinus(tdcSigma, random() < 0.5 ? perDeg : undefined)
    if (Math.abs(seen - trueLift(pump, 0, 0)) <= plusMinus) holds++
  }
  expect(holds / N).toBeGreaterThanOrEqual(0.94)
  expect(holds / N).toBeLessThanOrEqual(0.98)
})
