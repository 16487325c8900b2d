import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { convertEvent, makeProfile, profileFromTable, type CamProfile } from '.'

const lobe = (half = 127, topLiftMm = 9, checkingLiftMm = 0.5): CamProfile => {
  const made = makeProfile({ topLiftMm, checkingLiftMm, opensHalfDeg: half, closesHalfDeg: half })
  if (!made.ok) throw new Error(made.error.code)
  return made.value
}
const anyLobe = fc.record({
  topLiftMm: fc.double({ min: 4, max: 14, noNaN: true }),
  checkingLiftMm: fc.double({ min: 0.1, max: 1.3, noNaN: true }),
  opensHalfDeg: fc.double({ min: 100, max: 160, noNaN: true }),
  closesHalfDeg: fc.double({ min: 100, max: 160, noNaN: true }),
})

describe('a lobe through what is known', () => {
  test('the top lift at its centre, the checking lift where it opens and closes, smooth, rising then falling', () => {
    fc.assert(
      fc.property(anyLobe, (size) => {
        const made = makeProfile(size)
        if (!made.ok) throw new Error(made.error.code)
        const { liftAt, slopeAt, fromDeg, toDeg } = made.value
        expect(liftAt(0)).toBeCloseTo(size.topLiftMm, 9)
        expect(liftAt(-size.opensHalfDeg)).toBeCloseTo(size.checkingLiftMm, 6)
        expect(liftAt(size.closesHalfDeg)).toBeCloseTo(size.checkingLiftMm, 6)
        expect(liftAt(fromDeg)).toBeCloseTo(0, 9)
        expect(slopeAt(fromDeg)).toBeCloseTo(0, 9)
        expect(slopeAt(toDeg)).toBeCloseTo(0, 9)
        for (let deg = fromDeg; deg < 0; deg += 2) expect(slopeAt(deg)).toBeGreaterThanOrEqual(0)
        for (let deg = 0; deg < toDeg; deg += 2) expect(slopeAt(deg)).toBeLessThanOrEqual(0)
      }),
      { numRuns: 60 },
    )
  })
  test('its slope is that of its lift, by small steps', () => {
    const { liftAt, slopeAt } = lobe()
    for (let deg = -150; deg <= 150; deg += 7)
      expect(slopeAt(deg)).toBeCloseTo((liftAt(deg + 1e-4) - liftAt(deg - 1e-4)) / 2e-4, 5)
  })
  // The second route: the slope summed up by Simpson's rule comes to the lift, and crosses the checking lift at the book's events.
  test('17/57 at 0.5 mm, integrated numerically: opens and closes where the book says', () => {
    const { slopeAt, fromDeg } = lobe(127)
    const step = 0.05
    let lift = 0
    let opens = NaN
    let closes = NaN
    for (let deg = fromDeg; deg < 150; deg += step) {
      const before = lift
      lift += (step / 6) * (slopeAt(deg) + 4 * slopeAt(deg + step / 2) + slopeAt(deg + step))
      if (before < 0.5 && lift >= 0.5) opens = deg + step
      if (before > 0.5 && lift <= 0.5) closes = deg + step
    }
    // Centre 110 ATDC: 127 before it is 17 BTDC, 127 after it 237 ATDC = 57 ABDC.
    expect(-(110 + opens)).toBeCloseTo(17, 0)
    expect(110 + closes - 180).toBeCloseTo(57, 0)
  })
  test('a lift is found again on either flank, and not where there is none', () => {
    const { liftAt, degAtLift } = lobe()
    for (const liftMm of [0.1, 0.5, 3, 8.9]) {
      expect(liftAt(degAtLift(liftMm, 'opening') ?? NaN)).toBeCloseTo(liftMm, 6)
      expect(degAtLift(liftMm, 'closing')).toBeGreaterThan(0)
    }
    expect(degAtLift(9.5, 'opening')).toBeUndefined()
  })
  test('what cannot be a lobe is refused', () => {
    const refuse = (topLiftMm: number, checkingLiftMm: number, half: number) => {
      const made = makeProfile({ topLiftMm, checkingLiftMm, opensHalfDeg: half, closesHalfDeg: half })
      return made.ok ? 'made' : made.error.code
    }
    expect(refuse(9, 9, 120)).toBe('topNotAboveCheck')
    expect(refuse(9, 0, 120)).toBe('topNotAboveCheck')
    expect(refuse(9, 0.5, 12)).toBe('tooShort')
  })
})

describe('a lobe from a table', () => {
  const rowsOf = (one: CamProfile, stepDeg: number) =>
    Array.from({ length: Math.round((one.toDeg - one.fromDeg) / stepDeg) + 1 }, (_, i) => {
      const deg = one.fromDeg + i * stepDeg
      return { deg, liftMm: one.liftAt(deg) }
    })
  test('every 4 degrees gives the lobe back to a hundredth of a millimetre', () => {
    const made = profileFromTable(rowsOf(lobe(), 4))
    if (!made.ok) throw new Error(made.error.code)
    for (let deg = -140; deg < 140; deg += 1.7)
      expect(Math.abs(made.value.liftAt(deg) - lobe().liftAt(deg))).toBeLessThan(0.012)
    expect(made.value.degAtLift(0.5, 'opening')).toBeCloseTo(-127, 0)
  })
  test('a table that turns about, or is too short, is refused with where', () => {
    const table = [0, 2, 1, 5, 3, 0].map((liftMm, i) => ({ deg: i * 20, liftMm }))
    expect(profileFromTable(table)).toEqual({ ok: false, error: { code: 'tableNotRising', atDeg: 40 } })
    expect(profileFromTable(table.slice(0, 2))).toMatchObject({ ok: false })
  })
})

test('at more lift an inlet opens later and closes earlier, by what the lobe has between', () => {
  const one = lobe()
  const opening = convertEvent(one, 'opening', { fromMm: 0.5, toMm: 1 })
  const closing = convertEvent(one, 'closing', { fromMm: 0.5, toMm: 1 })
  expect(opening?.laterDeg).toBeGreaterThan(3)
  expect(closing?.laterDeg).toBeCloseTo(-(opening?.laterDeg ?? 0), 6)
  expect(opening?.sigmaDeg).toBeGreaterThan(0)
  expect(convertEvent(one, 'opening', { fromMm: 0.5, toMm: 20 })).toBeUndefined()
})
