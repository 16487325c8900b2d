import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { gaussian, makeRandom } from '../random'
import { wrapToSigned180 } from '../units'
import { chiSquareLimit, combineAngles, doesNotFit, studentFactor, type AngleReading } from '.'

let serial = 0
const read = (deg: number, sigmaDeg = 0.5, setUp = `s${serial++}`): AngleReading => ({ deg, sigmaDeg, setUp })

describe('readings that fit each other', () => {
  test('none, and one alone', () => {
    expect(combineAngles([])).toBeUndefined()
    expect(combineAngles([read(12, 0.4)])).toMatchObject({
      deg: 12,
      sigmaDeg: 0.4,
      plusMinusDeg: 0.8,
      widenedBy: 'nothing',
      misfits: [],
    })
  })
  // Independently computed: weights 4 and 1, (4·10 + 11)/5 = 10.2, sigma 1/sqrt(5).
  test('the sharper weighs more', () =>
    expect(combineAngles([read(10, 0.5), read(11, 1)])).toMatchObject({
      deg: expect.closeTo(10.2, 9),
      sigmaDeg: expect.closeTo(0.4472, 4),
    }))
  test('repeats of one set-up weigh as one together: rounding the same way again is nothing new', () => {
    const twice = combineAngles([read(10, 0.5, 'a'), read(10, 0.5, 'a'), read(11, 0.5, 'b')])
    expect(twice).toMatchObject({ deg: expect.closeTo(10.5, 9), sigmaDeg: expect.closeTo(0.5 / Math.SQRT2, 9) })
  })
  test('the mean is where the weighted squares are least, by a slow search', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            deg: fc.double({ min: -1, max: 1, noNaN: true }),
            sigma: fc.double({ min: 0.5, max: 2, noNaN: true }),
          }),
          {
            minLength: 1,
            maxLength: 6,
          },
        ),
        (readings) => {
          const all = readings.map(({ deg, sigma }) => read(deg, sigma))
          const mean = combineAngles(all)
          const squares = (at: number) => all.reduce((sum, { deg, sigmaDeg }) => sum + ((deg - at) / sigmaDeg) ** 2, 0)
          let best = -1
          for (let at = -1; at <= 1; at += 0.001) if (squares(at) < squares(best)) best = at
          expect(Math.abs((mean?.deg ?? 9) - best)).toBeLessThan(0.0011)
        },
      ),
      { numRuns: 100 },
    )
  })
  test('whole turns on or off, and the end of the turn, change nothing', () => {
    const any = fc
      .array(fc.integer({ min: -300, max: 300 }), { minLength: 1, maxLength: 6 })
      // In hundredths and a little more, each another: of two that lie equally far out, the last bit says which is left out.
      .map((hundredths) => hundredths.map((n, i) => n / 100 + 0.00137 * (i + 1) * (i + 2)))
    fc.assert(
      fc.property(
        any,
        fc.integer({ min: -3, max: 3 }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (offs, turns, about) => {
          const plain = combineAngles(offs.map((off) => read(about + off, 1)))
          const turned = combineAngles(offs.map((off, i) => read(about + off + (i % 2 === 0 ? 0 : 360 * turns), 1)))
          expect(Math.abs(wrapToSigned180((plain?.deg ?? 0) - (turned?.deg ?? 180)))).toBeLessThan(1e-9)
          expect(plain?.plusMinusDeg).toBeCloseTo(turned?.plusMinusDeg ?? NaN, 9)
        },
      ),
    )
  })
})

describe('readings that do not fit', () => {
  test('of three the odd one is named and left out', () => {
    const odd = read(30)
    const mean = combineAngles([read(10), read(10.4), odd])
    expect(mean).toMatchObject({ deg: expect.closeTo(10.2, 9), misfits: [odd] })
  })
  test('of two neither can be told wrong: the ± covers both', () => {
    const mean = combineAngles([read(10), read(20)])
    expect(mean).toMatchObject({ deg: 15, plusMinusDeg: 5, widenedBy: 'contradiction' })
    expect(mean?.misfits).toHaveLength(2)
  })
  test('never more than a minority is left out, however wild', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 360, noNaN: true }), { minLength: 1, maxLength: 9 }), (degs) => {
        const mean = combineAngles(degs.map((deg) => read(deg, 0.3)))
        expect(mean?.used.length).toBeGreaterThanOrEqual(Math.ceil((degs.length + 1) / 2))
        expect(mean?.plusMinusDeg).toBeGreaterThan(0)
        expect(Number.isFinite(mean?.deg)).toBe(true)
      }),
      { numRuns: 300 },
    )
  })
  test('scatter that is too large to be chance widens the ± by Student’s factor', () => {
    const scattered = [0, 1.2, -1.2, 1.15, -1.15].map((deg) => read(deg, 0.5))
    const mean = combineAngles(scattered)
    expect(mean?.widenedBy).toBe('scatter')
    expect(mean?.plusMinusDeg ?? 0).toBeGreaterThan(2 * (0.5 / Math.sqrt(5)))
  })
  test('a reading that is only held against the mean', () => {
    expect(doesNotFit(read(11, 0.5), { deg: 10, sigmaDeg: 0.3 })).toBe(false)
    expect(doesNotFit(read(12, 0.5), { deg: 10, sigmaDeg: 0.3 })).toBe(true)
  })
})

describe('the limits behind it', () => {
  // JCGM 100:2008, table G.2, 95.45%.
  test.each([
    [1, 13.97],
    [4, 2.87],
    [10, 2.28],
    [20, 2.13],
  ])('Student, %i degrees of freedom: %d', (freedom, factor) => expect(studentFactor(freedom)).toBe(factor))
  test('beyond the table it goes on falling towards two', () => {
    expect(studentFactor(21)).toBeLessThan(studentFactor(20))
    expect(studentFactor(200)).toBeCloseTo(2.0125, 4)
  })
  // Chi-squared at 0.997 by simulation, seeded: the limit is passed about three times in a thousand.
  test.each([2, 5, 10])('chance passes the limit of %i degrees of freedom three times in a thousand', (freedom) => {
    const random = makeRandom(7 + freedom)
    const limit = chiSquareLimit(freedom)
    let passed = 0
    for (let i = 0; i < 40_000; i++) {
      let squares = 0
      for (let k = 0; k < freedom; k++) squares += gaussian(random) ** 2
      if (squares > limit) passed++
    }
    expect(passed / 40_000).toBeGreaterThan(0.002)
    expect(passed / 40_000).toBeLessThan(0.0042)
  })
})
