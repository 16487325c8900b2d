import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { arcFromChord, fractionInches, layOutRim, pistonTable } from '.'

const spark = [{ name: 'spark', afterDeg: -30 }]

describe('angles along a rim', () => {
  // Common practice, no source (handbook 4): 30° on a rim of 534 mm is 44.5 mm.
  test('30° before TDC lies 44.5 mm ahead in the running direction on a turning rim, behind on a fixed scale', () => {
    const on = (turns: 'rim' | 'pointer', along: 'running' | 'against') =>
      layOutRim({ circumferenceMm: 534, angles: spark, turns, along })[0]?.shortWayMm
    expect(on('rim', 'running')).toBeCloseTo(44.5, 9)
    expect(on('rim', 'against')).toBeCloseTo(-44.5, 9)
    expect(on('pointer', 'running')).toBeCloseTo(-44.5, 9)
  })
  test('from a datum that is not TDC', () => {
    const [place] = layOutRim({ circumferenceMm: 360, angles: spark, datumDeg: -10, turns: 'rim', along: 'running' })
    expect(place).toMatchObject({ fromDatumMm: 20, shortWayMm: 20 })
    const [back] = layOutRim({ circumferenceMm: 360, angles: spark, datumDeg: -40, turns: 'rim', along: 'running' })
    expect(back).toMatchObject({ fromDatumMm: 350, shortWayMm: -10 })
  })
  test('an arc measured again as summed small chords is as long', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 3000, noNaN: true }),
        fc.double({ min: -179, max: 179, noNaN: true }),
        (c, deg) => {
          const [place] = layOutRim({
            circumferenceMm: c,
            angles: [{ name: '', afterDeg: deg }],
            turns: 'pointer',
            along: 'running',
          })
          const r = c / (2 * Math.PI)
          const steps = 20_000
          const step = (Math.abs(deg) * Math.PI) / 180 / steps
          const summed = steps * 2 * r * Math.sin(step / 2)
          expect(Math.abs(Math.abs(place?.shortWayMm ?? 0) - summed)).toBeLessThan(1e-3)
        },
      ),
      { numRuns: 50 },
    )
  })
  test('chord to arc', () => {
    expect(arcFromChord(43.9933, 534)).toBeCloseTo(44.5, 3)
    expect(arcFromChord(171, 534)).toBeUndefined()
  })
})

describe('inches to the nearest 1/64', () => {
  test.each([
    [44.45, '1 3/4 in', 0],
    [25.4, '1 in', 0],
    [9.525, '3/8 in', 0],
    [0, '0 in', 0],
    // Independently computed: 44.5 mm is 112.126 sixty-fourths; 112/64 = 1 3/4 in = 44.45 mm, 0.05 mm short.
    [44.5, '1 3/4 in', -0.05],
  ])('%d mm is %s', (mm, text, error) => {
    expect(fractionInches(mm).text).toBe(text)
    expect(fractionInches(mm).errorMm).toBeCloseTo(error, 9)
  })
  test('never out by more than half a division', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (mm) => {
        expect(Math.abs(fractionInches(mm).errorMm)).toBeLessThanOrEqual(25.4 / 128 + 1e-9)
      }),
    )
  })
})

test('the piston table holds the check values of the handbook, independently computed', () => {
  const table = pistonTable({ strokeMm: 82, rodMm: 142, pinOffsetMm: 0 }, { stepDeg: 6, mostDeg: 60 })
  if (!table.ok) throw new Error(table.error.code)
  const at = (deg: number) => table.value.find((row) => row.deg === deg)
  expect(at(60)?.beforeMm).toBeCloseTo(25.0, 1)
  expect(at(36)?.afterMm).toBeCloseTo(9.9, 1)
  expect(at(30)?.beforeMm).toBeCloseTo(7.0, 1)
  expect(at(0)?.afterMm).toBe(0)
})
