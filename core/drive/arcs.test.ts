import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { arcFromEnds, polar } from '../geometry'
import { wrapTo360 } from '../units'
import { solvePath, type PathMember } from '.'

const small: PathMember = { memberId: 'small', teeth: 19, radiusMm: 28.93, centre: { x: 0, y: 0 }, side: 1 }
const large: PathMember = { memberId: 'large', teeth: 38, radiusMm: 57.67, centre: { x: 14, y: 300 }, side: 1 }
const PITCH = 9.525

/** A guide of r 400 on the run at the right, passed on its other side: its whole circle reaches far beyond both wheels. */
const guide = (fromDeg: number, toDeg: number): PathMember => ({
  memberId: 'guide',
  radiusMm: 400,
  centre: { x: 432, y: 150 },
  side: -1,
  ends: [toDeg, fromDeg],
})
const lengthOf = (members: readonly PathMember[]) => {
  const path = solvePath(members, PITCH)
  return path.ok ? path.value.pitches * PITCH : path.error
}

/** The slow way: the arc as many points, each that the loop would leave taken out, until all turn the way of the guide. */
function byPoints(one: PathMember, count: number): number {
  const [start = 0, end = 0] = one.ends ?? []
  const span = wrapTo360(one.side * (end - start))
  let points = Array.from({ length: count + 1 }, (_, i): PathMember => ({
    memberId: `p${i}`,
    radiusMm: 0,
    side: one.side,
    centre: polar(one.centre, one.radiusMm, start + (one.side * span * i) / count),
  }))
  for (;;) {
    const all = [small, ...points, large]
    const turns = points.map((_, i) => {
      const [a, b, c] = [all[i], all[i + 1], all[i + 2]].map((member) => member as PathMember)
      const tangentPoint = (from: PathMember, to: PathMember) => {
        // Of a wheel the place where the run leaves or reaches it.
        const apart = Math.hypot(to.centre.x - from.centre.x, to.centre.y - from.centre.y)
        const e = { x: (to.centre.x - from.centre.x) / apart, y: (to.centre.y - from.centre.y) / apart }
        const sin = -(to.side * to.radiusMm - from.side * from.radiusMm) / apart
        const cos = Math.sqrt(1 - sin * sin)
        return { x: cos * e.x - sin * e.y, y: cos * e.y + sin * e.x }
      }
      const [into, out] = [
        tangentPoint(a as PathMember, b as PathMember),
        tangentPoint(b as PathMember, c as PathMember),
      ]
      return one.side * (into.x * out.y - into.y * out.x)
    })
    const kept = points.filter((_, i) => (turns[i] ?? 0) > -1e-12)
    if (kept.length === points.length) break
    points = kept
  }
  const length = lengthOf([small, ...points, large])
  return typeof length === 'number' ? length : NaN
}

describe('a guide that is an arc', () => {
  test('as a circle it would be too close to both wheels; as an arc the loop lies on it', () => {
    const { ends: _ends, ...circle } = guide(168, 192)
    expect(lengthOf([small, circle, large])).toMatchObject({ code: 'membersTooClose' })
    expect(lengthOf([small, guide(168, 192), large])).toBeTypeOf('number')
  })
  test('an arc that is longer than what the loop touches is as good as its circle', () => {
    const shoe: PathMember = { memberId: 'shoe', radiusMm: 60, centre: { x: 90, y: 150 }, side: -1 }
    const arc: PathMember = { ...shoe, ends: [260, 100] }
    expect(lengthOf([small, arc, large])).toBeCloseTo(lengthOf([small, shoe, large]) as number, 9)
  })
  test('ends anywhere: the same length as over a thousand points of it', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 172, max: 179, noNaN: true }),
        fc.double({ min: 4, max: 26, noNaN: true }),
        (from, span) => {
          const one = guide(from, from + span)
          const length = lengthOf([small, one, large])
          if (typeof length !== 'number') return
          expect(length).toBeCloseTo(byPoints(one, 1000), 2)
        },
      ),
      { numRuns: 60 },
    ))
  test('the wrap never leaves the arc', () => {
    const path = solvePath([small, guide(170, 184), large], PITCH)
    const piece = path.ok && path.value.pieces.find((one) => one.kind === 'arc' && one.memberId === 'guide')
    if (!piece || piece.kind !== 'arc') throw new Error('no guide')
    expect(Math.abs(piece.sweepDeg)).toBeLessThanOrEqual(14 + 1e-9)
    for (const deg of [piece.fromDeg, piece.fromDeg + piece.sweepDeg]) {
      const on = wrapTo360(deg - 170)
      expect(on <= 14 + 1e-6 || on > 360 - 1e-6).toBe(true)
    }
  })
})

describe('an arc from its two ends, independently computed', () => {
  // A chord of 80 with a height of 16: r = 6400/128 + 8 = 58; centre 42 inside of the chord.
  const from = { x: -40, y: 0 }
  const to = { x: 40, y: 0 }
  test('by its height', () => {
    const arc = arcFromEnds({ from, to, heightMm: 16, bulges: 'left' })
    expect(arc).toMatchObject({ ok: true, value: { radiusMm: 58, centre: { x: 0, y: expect.closeTo(-42, 9) } } })
    if (!arc.ok) return
    // Counter-clockwise from the right end, over the top, to the left one.
    expect(arc.value.fromDeg).toBeCloseTo((Math.atan2(42, 40) * 180) / Math.PI, 9)
    expect(arc.value.toDeg).toBeCloseTo(180 - arc.value.fromDeg, 9)
  })
  test('by its radius the same; both agree, or it is said by how much not', () => {
    expect(arcFromEnds({ from, to, radiusMm: 58, bulges: 'left' })).toMatchObject({
      value: { centre: { y: expect.closeTo(-42, 9) } },
    })
    expect(arcFromEnds({ from, to, radiusMm: 58.3, heightMm: 16, bulges: 'right' }).ok).toBe(true)
    expect(arcFromEnds({ from, to, radiusMm: 70, heightMm: 16, bulges: 'left' })).toEqual({
      ok: false,
      error: { code: 'disagree', radiusByHeightMm: 58 },
    })
  })
  test('a radius of less than half the chord, ends in one place, and no size at all are refused', () => {
    expect(arcFromEnds({ from, to, radiusMm: 30, bulges: 'left' })).toMatchObject({
      error: { code: 'radiusTooSmall', leastMm: 40 },
    })
    expect(arcFromEnds({ from, to: from, radiusMm: 30, bulges: 'left' })).toMatchObject({
      error: { code: 'endsCoincide' },
    })
    expect(arcFromEnds({ from, to, bulges: 'left' })).toMatchObject({ error: { code: 'sizeMissing' } })
  })
})
