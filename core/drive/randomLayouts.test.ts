import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { distance, type Point } from '../geometry'
import type { BuildSheet } from '../model'
import { ringOfCams } from '../testing/ringOfCams'
import { makePathReader, pulleyRadiusMm, solvePath, sprocketRadiusMm, type Path, type PathMember } from '.'
import { readDrive } from './readDrive'

const anyMember = fc.record({
  teeth: fc.option(fc.integer({ min: 9, max: 60 }), { nil: undefined }),
  radiusMm: fc.double({ min: 5, max: 90, noNaN: true }),
  x: fc.double({ min: -400, max: 400, noNaN: true }),
  y: fc.double({ min: -400, max: 400, noNaN: true }),
  outside: fc.boolean(),
})
/** Anywhere at all: most of these cannot be and must be refused. */
const anywhere = fc.array(anyMember, { minLength: 2, maxLength: 14 })
/** Wheels round a ring in order, a plain one pressed in from outside here and there: most of these can be. */
const roundARing = fc
  .record({
    members: fc.array(anyMember, { minLength: 2, maxLength: 14 }),
    spread: fc.double({ min: 0.9, max: 1, noNaN: true }),
    pressed: fc.boolean(),
  })
  .map(({ members, spread, pressed }) =>
    members.map(({ teeth, radiusMm }, i) => {
      const turn = (2 * Math.PI * i) / members.length
      const inwards = pressed && i === 1 && members.length > 3
      const reach = inwards ? 430 : 400 * (i % 2 === 0 ? 1 : spread)
      const size = { teeth: inwards ? undefined : teeth && Math.min(teeth, 40), radiusMm: Math.min(radiusMm, 55) }
      return { ...size, x: reach * Math.cos(turn), y: reach * Math.sin(turn), outside: inwards }
    }),
  )
const anyLayout = fc.oneof(anywhere, roundARing)
type Layout = readonly {
  readonly teeth: number | undefined
  readonly radiusMm: number
  readonly x: number
  readonly y: number
  readonly outside: boolean
}[]

const PITCH = 9.525
const membersOf = (layout: Layout): PathMember[] =>
  layout.map(({ teeth, radiusMm, x, y, outside }, i) => ({
    memberId: `m${i}`,
    teeth,
    radiusMm: teeth ? sprocketRadiusMm(PITCH, teeth) : radiusMm,
    centre: { x, y },
    side: outside && i > 0 ? -1 : 1,
  }))

const allNumbers = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value !== 'object' || value === null || Object.values(value).every(allNumbers)

/** The slow truth: the path walked in tiny chords, plain members by their millimetres, toothed ones by their pitch line. */
function summedMm(path: Path): number {
  const read = makePathReader(path)
  const steps = 40_000
  let [sum, last] = [0, read(0)] as [number, Point]
  for (let i = 1; i <= steps; i++) {
    const next = read((i / steps) * path.pitches * (1 - 1e-12))
    sum += distance(last, next)
    last = next
  }
  return sum
}

describe('wide random layouts of up to fourteen members', () => {
  test('solve or are refused with a reason, never with a number that is none', () => {
    let solved = 0
    fc.assert(
      fc.property(anyLayout, (layout) => {
        const path = solvePath(membersOf(layout), PITCH)
        if (!path.ok) {
          expect(['tooFewMembers', 'membersTooClose', 'notTouched']).toContain(path.error.code)
          return
        }
        solved++
        expect(allNumbers(path.value)).toBe(true)
        expect(path.value.pitches).toBeGreaterThan(0)
        for (const piece of path.value.pieces) expect(piece.pitches).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 3000, seed: 20261125 },
    )
    expect(solved).toBeGreaterThan(100)
  })

  test('what is solved is closed: every piece begins where the one before it ends', () => {
    fc.assert(
      fc.property(anyLayout, (layout) => {
        const path = solvePath(membersOf(layout), PITCH)
        if (!path.ok) return
        const read = makePathReader(path.value)
        for (const piece of path.value.pieces) {
          if (piece.kind !== 'run') continue
          expect(distance(read(piece.startPitches), piece.from)).toBeLessThan(1e-6)
          expect(distance(read(piece.startPitches + piece.pitches - 1e-9), piece.to)).toBeLessThan(1e-6)
        }
      }),
      { numRuns: 1000, seed: 7 },
    )
  })

  test('its length is that of the path walked in tiny chords', () => {
    fc.assert(
      fc.property(anyLayout, (layout) => {
        const path = solvePath(
          membersOf(layout).map((member) => ({ ...member, teeth: undefined })),
          PITCH,
        )
        if (!path.ok) return
        expect(Math.abs(summedMm(path.value) / PITCH - path.value.pitches)).toBeLessThan(path.value.pitches * 1e-5)
      }),
      { numRuns: 150, seed: 3 },
    )
  })
})

test.each([1, 2, 4, 8, 12])('round %i cams the sections add up to the whole loop', (cams) => {
  for (const kind of ['rollerChain', 'toothedBelt'] as const) {
    const sheet = ringOfCams(cams, kind)
    const loop = sheet.loops[0] as BuildSheet['loops'][number]
    const solved = readDrive(sheet).solved(loop)
    if (!solved.ok) throw new Error(JSON.stringify(solved.error))
    expect(solved.value.pitches % 2).toBe(0)
    const sections = readDrive(sheet).sections(loop)
    expect(sections).toHaveLength(cams + 1)
    expect(sections.reduce((sum, { expected }) => sum + (expected?.pitches ?? NaN), 0)).toBeCloseTo(
      solved.value.pitches,
      6,
    )
    expect(sections.filter(({ run }) => run === 'slack')).toHaveLength(1)
  }
})

test('a wheel size follows from teeth and pitch, for chain and belt', () => {
  // Independently computed: 20 teeth at 9.525 mm: 9.525 / (2 sin 9°) = 30.444 on a chain, 20 · 9.525 / 2π = 30.319 on a belt.
  expect(sprocketRadiusMm(PITCH, 20)).toBeCloseTo(30.444, 3)
  expect(pulleyRadiusMm(PITCH, 20)).toBeCloseTo(30.319, 3)
})
