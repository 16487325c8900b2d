import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { makeSliderCrank, type SliderCrank, type SliderCrankSize } from '.'

function crankOf(size: SliderCrankSize): SliderCrank {
  const made = makeSliderCrank(size)
  if (!made.ok) throw new Error(made.error.code)
  return made.value
}
const S82 = { strokeMm: 82, rodMm: 142, pinOffsetMm: 0 }

describe('check values, independently computed (handbook 2 and 13)', () => {
  const crank = crankOf(S82)
  test('5 mm and 10 mm of drop', () => {
    expect(crank.degAtDrop(5, 'after')).toBeCloseTo(25.254, 3)
    expect(crank.degAtDrop(5, 'before')).toBeCloseTo(-25.254, 3)
    expect(crank.degAtDrop(10, 'after')).toBeCloseTo(36.211, 3)
  })
  test('slope at 5 mm', () => expect(crank.slopeMmPerDeg(25.254)).toBeCloseTo(0.3856, 4))
  test.each([
    [60, 25.0],
    [36, 9.9],
    [30, 7.0],
  ])('drop at %i° is %f mm', (deg, mm) => expect(crank.dropMm(deg)).toBeCloseTo(mm, 1))
})

test('sizes that cannot be an engine are refused with the numbers', () => {
  expect(makeSliderCrank({ strokeMm: 0, rodMm: 100, pinOffsetMm: 0 })).toMatchObject({
    error: { code: 'strokeNotPositive' },
  })
  expect(makeSliderCrank({ strokeMm: 80, rodMm: 40, pinOffsetMm: 0 })).toMatchObject({
    error: { code: 'rodShorterThanThrow', throwMm: 40 },
  })
  expect(makeSliderCrank({ strokeMm: 80, rodMm: 100, pinOffsetMm: 60 })).toMatchObject({
    error: { code: 'offsetCannotAssemble', mostMm: 60 },
  })
})

const anySize = fc
  .record({
    strokeMm: fc.double({ min: 20, max: 900, noNaN: true }),
    ratio: fc.double({ min: 1.5, max: 2.6, noNaN: true }),
    share: fc.double({ min: -0.05, max: 0.05, noNaN: true }),
  })
  .map(({ strokeMm, ratio, share }) => ({ strokeMm, rodMm: strokeMm * ratio, pinOffsetMm: strokeMm * share }))

/** The slow truth: the highest point found by walking the crank round in small steps, rod laid as a line each time. */
function slowTop({ strokeMm, rodMm, pinOffsetMm }: SliderCrankSize) {
  let best = { deg: 0, height: -Infinity }
  for (let deg = -20; deg <= 20; deg += 0.005) {
    const t = (deg * Math.PI) / 180
    const pin = { x: (strokeMm / 2) * Math.sin(t), y: (strokeMm / 2) * Math.cos(t) }
    const height = pin.y + Math.sqrt(rodMm ** 2 - (pin.x - pinOffsetMm) ** 2)
    if (height > best.height) best = { deg, height }
  }
  return best
}

test('TDC by formula is TDC by walking round', () => {
  fc.assert(
    fc.property(anySize, (size) => {
      expect(Math.abs(crankOf(size).tdcDeg - slowTop(size).deg)).toBeLessThan(0.02)
    }),
    { numRuns: 25 },
  )
})

test('degAtDrop undoes dropMm, and the slope is the difference', () => {
  fc.assert(
    fc.property(anySize, fc.double({ min: 2, max: 150, noNaN: true }), (size, deg) => {
      const crank = crankOf(size)
      expect(crank.degAtDrop(crank.dropMm(deg), 'after')).toBeCloseTo(deg, 5)
      expect(crank.degAtDrop(crank.dropMm(-deg), 'before')).toBeCloseTo(-deg, 5)
      const slow = (crank.dropMm(deg + 1e-4) - crank.dropMm(deg - 1e-4)) / 2e-4
      expect(crank.slopeMmPerDeg(deg)).toBeCloseTo(slow, 4)
    }),
  )
})

test('a drop that is never reached is undefined, not a number', () => {
  expect(crankOf(S82).degAtDrop(90, 'after')).toBeUndefined()
  expect(crankOf(S82).degAtDrop(-1, 'after')).toBeUndefined()
})
