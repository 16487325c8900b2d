import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  makePathReader,
  placeOnPath,
  pulleyRadiusMm,
  recountsForRatio,
  solvePath,
  sprocketRadiusMm,
  toothWorth,
  type Path,
  type PathMember,
} from '.'

const sprocket = (
  memberId: string,
  teeth: number,
  pitchMm: number,
  x: number,
  y: number,
  side: 1 | -1,
): PathMember => ({
  memberId,
  teeth,
  radiusMm: sprocketRadiusMm(pitchMm, teeth),
  centre: { x, y },
  side,
})

function solved(members: readonly PathMember[], pitchMm: number): Path {
  const path = solvePath(members, pitchMm)
  if (!path.ok) throw new Error(path.error.code)
  return path.value
}

describe('sprockets', () => {
  // ISO 606 unit-pitch diameters, from memory (handbook 6), recomputed here.
  test.each([
    [9, 2.9238],
    [17, 5.4422],
    [21, 6.7095],
    [25, 7.9787],
  ])('z %i at unit pitch is %f across', (teeth, diameter) =>
    expect(2 * sprocketRadiusMm(1, teeth)).toBeCloseTo(diameter, 4),
  )
  test('belt pulley', () => expect(2 * pulleyRadiusMm(8, 40)).toBeCloseTo((40 * 8) / Math.PI, 9))
  // Independently computed (handbook 9): z 36 is 20° at the crank a tooth at 1/2, z 40 is 18°.
  test('one tooth', () => {
    expect(toothWorth(36, { num: 1, den: 2 }).crankDeg).toBeCloseTo(20, 9)
    expect(toothWorth(40, { num: -1, den: 2 }).crankDeg).toBeCloseTo(18, 9)
  })
  // Independently computed (handbook 6): 20/42 could be 21/42 or 20/40.
  test('recounts that would mend a ratio', () =>
    expect(recountsForRatio({ driver: 20, driven: 42, wanted: { num: 1, den: 2 } })).toEqual([
      { driver: 20, driven: 40 },
      { driver: 21, driven: 42 },
    ]))
})

describe('check values, independently computed (handbook 7)', () => {
  test('20/40, p 9.525, C 150 by tangents', () => {
    const path = solved([sprocket('a', 20, 9.525, 0, 0, -1), sprocket('b', 40, 9.525, 0, 150, -1)], 9.525)
    expect(path.pitches).toBeCloseTo(62.1417, 4)
  })
  test('three members, one passed outside: 70.000 pitches', () => {
    const shoe: PathMember = { memberId: 'shoe', radiusMm: 62, centre: { x: -81, y: 96.6373 }, side: 1 }
    const path = solved(
      [sprocket('crank', 19, 9.525, 0, 0, -1), shoe, sprocket('cam', 38, 9.525, 14, 193.2746, -1)],
      9.525,
    )
    expect(
      path.pieces.flatMap((piece) => (piece.kind === 'run' ? [piece.lengthMm] : [])).map((mm) => mm.toFixed(3)),
    ).toEqual(['87.354', '63.580', '191.638'])
    expect(
      path.pieces
        .flatMap((piece) => (piece.kind === 'arc' ? [Math.abs(piece.sweepDeg)] : []))
        .map((deg) => deg.toFixed(2)),
    ).toEqual(['173.51', '23.69', '210.18'])
    expect(path.pitches).toBeCloseTo(70, 3)
  })
})

// ISO 10823 from memory: an approximation, off by up to 0.02 pitch to ratio 2 and 0.1 to ratio 3.
test('two-wheel lengths agree with the published formula within its own error', () => {
  const anyPair = fc.record({
    z1: fc.integer({ min: 15, max: 40 }),
    ratio: fc.constantFrom(1, 1.5, 2, 3),
    gap: fc.double({ min: 1.3, max: 4, noNaN: true }),
  })
  fc.assert(
    fc.property(anyPair, ({ z1, ratio, gap }) => {
      const z2 = Math.round(z1 * ratio)
      const p = 9.525
      const c = gap * (sprocketRadiusMm(p, z1) + sprocketRadiusMm(p, z2))
      const formula = (2 * c) / p + (z1 + z2) / 2 + (((z2 - z1) / (2 * Math.PI)) ** 2 * p) / c
      const path = solved([sprocket('a', z1, p, 0, 0, 1), sprocket('b', z2, p, c, 0, 1)], p)
      expect(Math.abs(path.pitches - formula)).toBeLessThan(ratio <= 2 ? 0.02 : 0.1)
    }),
  )
})

const anyThree = fc.record({
  z1: fc.integer({ min: 12, max: 30 }),
  z2: fc.integer({ min: 20, max: 60 }),
  radius: fc.double({ min: 20, max: 80, noNaN: true }),
  x: fc.double({ min: -160, max: 160, noNaN: true }),
  y: fc.double({ min: 20, max: 250, noNaN: true }),
  passed: fc.constantFrom(1 as const, -1 as const),
  side: fc.constantFrom(1 as const, -1 as const),
})

test('any layout is solved or refused with a reason; solved ones are closed and as long as their summed chords', () => {
  let good = 0
  fc.assert(
    fc.property(anyThree, ({ z1, z2, radius, x, y, passed, side }) => {
      const p = 9.525
      const shoe: PathMember = { memberId: 's', radiusMm: radius, centre: { x, y }, side: passed }
      const path = solvePath([sprocket('a', z1, p, 0, 0, side), shoe, sprocket('b', z2, p, 10, 280, side)], p)
      if (!path.ok) {
        expect(['membersTooClose', 'notTouched']).toContain(path.error.code)
        return
      }
      good++
      const read = makePathReader(path.value)
      const steps = 6000
      // The slow truth in mm: tiny chords along the path against the pieces' own lengths.
      let chords = 0
      for (let i = 0; i < steps; i++) {
        const a = read((i / steps) * path.value.pitches)
        const b = read(((i + 1) / steps) * path.value.pitches)
        chords += Math.hypot(b.x - a.x, b.y - a.y)
      }
      const lengthMm = path.value.pieces.reduce(
        (sum, piece) =>
          sum + (piece.kind === 'run' ? piece.lengthMm : (Math.abs(piece.sweepDeg) * Math.PI * piece.radiusMm) / 180),
        0,
      )
      expect(Number.isFinite(chords)).toBe(true)
      expect(Math.abs(chords - lengthMm)).toBeLessThan(0.05)
      const [start, end] = [read(0), read(path.value.pitches - 1e-9)]
      expect(Math.hypot(start.x - end.x, start.y - end.y)).toBeLessThan(1e-5)
    }),
    { seed: 7, numRuns: 60 },
  )
  expect(good).toBeGreaterThan(10)
})

test('two circles in one another are refused and named', () => {
  expect(solvePath([sprocket('a', 20, 9.525, 0, 0, 1), sprocket('b', 60, 9.525, 5, 0, 1)], 9.525)).toMatchObject({
    error: { code: 'membersTooClose', memberIds: ['a', 'b'] },
  })
  expect(solvePath([sprocket('a', 20, 9.525, 0, 0, 1)], 9.525)).toMatchObject({ error: { code: 'tooFewMembers' } })
})

test('a mark off the wrapped part is moved by whole teeth to the nearest engaged one', () => {
  const path = solved([sprocket('a', 20, 9.525, 0, 0, -1), sprocket('b', 40, 9.525, 0, 200, -1)], 9.525)
  expect(placeOnPath(path, { memberId: 'b', teeth: 40, deg: 90 })?.movedTeeth).toBe(0)
  const off = placeOnPath(path, { memberId: 'b', teeth: 40, deg: 268 })
  expect(off?.movedTeeth).not.toBe(0)
  const arc = path.pieces.find((piece) => piece.kind === 'arc' && piece.memberId === 'b')
  expect(
    off && arc && off.atPitches >= arc.startPitches && off.atPitches <= arc.startPitches + arc.pitches + 1e-6,
  ).toBe(true)
})
