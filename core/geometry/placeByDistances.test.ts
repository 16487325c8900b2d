import fc from 'fast-check'
import { expect, test } from 'vitest'
import { distance, placeByDistances } from '.'

const crank = { x: 0, y: 0 }
const second = { x: 120, y: 0 }

test('three, four, five', () => {
  const placed = placeByDistances(
    [
      { from: crank, distanceMm: 60 },
      { from: { x: 100, y: 0 }, distanceMm: 80 },
    ],
    { x: 30, y: 50 },
  )
  expect(placed).toMatchObject({ ok: true, value: { point: { x: 36, y: 48 }, mirror: { x: 36, y: -48 }, misfitMm: 0 } })
})

test('any point is found again from two distances, on the side asked for, and from three without being asked', () => {
  const anyPoint = fc.record({
    x: fc.double({ min: -300, max: 300, noNaN: true }),
    y: fc.double({ min: 5, max: 300, noNaN: true }),
  })
  fc.assert(
    fc.property(anyPoint, (point) => {
      const from = [crank, second, { x: 40, y: 90 }]
      const measured = from.map((one) => ({ from: one, distanceMm: distance(one, point) }))
      const two = placeByDistances(measured.slice(0, 2), { x: 0, y: 100 })
      const three = placeByDistances(measured, { x: 0, y: -100 })
      for (const placed of [two, three]) {
        if (!placed.ok) throw new Error(placed.error.code)
        expect(distance(placed.value.point, point)).toBeLessThan(1e-4)
        expect(placed.value.misfitMm).toBeLessThan(1e-4)
      }
    }),
  )
})

test('one distance too many by a millimetre shows as a misfit of about half', () => {
  const point = { x: 50, y: 100 }
  const measured = [crank, second, { x: 0, y: 200 }].map((from, i) => ({
    from,
    distanceMm: distance(from, point) + (i === 2 ? 1 : 0),
  }))
  const placed = placeByDistances(measured, point)
  if (!placed.ok) throw new Error(placed.error.code)
  expect(placed.value.misfitMm).toBeGreaterThan(0.1)
  expect(placed.value.misfitMm).toBeLessThan(1)
})

test('what cannot be is said', () => {
  expect(placeByDistances([{ from: crank, distanceMm: 5 }], crank)).toMatchObject({
    error: { code: 'tooFewDistances' },
  })
  expect(
    placeByDistances(
      [
        { from: crank, distanceMm: 30 },
        { from: second, distanceMm: 40 },
      ],
      crank,
    ),
  ).toMatchObject({ error: { code: 'doNotMeet', gapMm: 50 } })
  expect(
    placeByDistances(
      [
        { from: crank, distanceMm: 30 },
        { from: crank, distanceMm: 40 },
      ],
      crank,
    ),
  ).toMatchObject({ error: { code: 'sameOrigin' } })
})
