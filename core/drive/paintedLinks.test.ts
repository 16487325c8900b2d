import fc from 'fast-check'
import { expect, test } from 'vitest'
import { paintedPlaces, teethFromDiameter, type LinkMapPlace } from '.'

const place = (name: string, atPitches: number): LinkMapPlace => ({
  markId: name,
  name,
  atPitches,
  nearest: atPitches,
  offPitches: 0,
  teeth: 0,
})
const painted = [
  { id: 'a', name: 'gold', style: 'pair' as const, pitchesOn: 0 },
  { id: 'b', name: 'blue', style: 'single' as const, pitchesOn: 42 },
  { id: 'c', name: 'blue', style: 'single' as const, pitchesOn: 26 },
]

test('painted links lie on the marks they were painted for, and say by how much they do not', () => {
  const places = paintedPlaces({ painted }, 102, [place('driver', 0), place('exhaust', 42), place('inlet', 67)])
  expect(places.map(({ atPitches }) => atPitches)).toEqual([0, 42, 68])
  expect(places.map(({ mark }) => mark)).toEqual([
    { name: 'driver', pastPitches: 0 },
    { name: 'exhaust', pastPitches: 0 },
    { name: 'inlet', pastPitches: 1 },
  ])
})
test('without a map they have no mark', () =>
  expect(paintedPlaces({ painted }, 102, undefined)[1]?.mark).toBeUndefined())

// Independently computed: 19 teeth at 9.525: 9.525·(0.6 + cot 9.4737°) = 62.80 mm outside.
test('teeth from a calliper across the tips', () => {
  expect(teethFromDiameter({ outsideMm: 62.8, pitchMm: 9.525, kind: 'sprocket' })?.teeth).toBe(19)
  // Independently computed: 22 · 9.525 / pi - 2 · 0.69 = 65.32 mm.
  expect(teethFromDiameter({ outsideMm: 65.3, pitchMm: 9.525, kind: 'pulley', pitchLineMm: 0.69 })?.teeth).toBe(22)
  expect(teethFromDiameter({ outsideMm: 4, pitchMm: 9.525, kind: 'sprocket' })).toBeUndefined()
})
test('every count comes back from its own diameter', () => {
  fc.assert(
    fc.property(fc.integer({ min: 8, max: 120 }), fc.double({ min: 5, max: 30, noNaN: true }), (teeth, pitchMm) => {
      const outsideMm = pitchMm * (0.6 + 1 / Math.tan(Math.PI / teeth))
      expect(teethFromDiameter({ outsideMm, pitchMm, kind: 'sprocket' })).toMatchObject({ teeth })
    }),
  )
})
