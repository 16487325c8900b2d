import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Mark, Position } from '../model'
import { partsOf } from '../sheet'
import { sheetWith } from '../testing/threeMembers'
import { PART_IDS as ids } from '../starters'
import { fitDistances, gapZeroDeg, markAngleDeg, markPoseDeg, markSeat, pointOf, shaftPoint } from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const base = sheetWith({})
/** The crank and one more shaft at (0, 200), and whatever else is asked for. */
const withShafts = (...more: { id: string; position?: Position }[]): BuildSheet => ({
  ...base,
  shafts: [
    ...base.shafts.filter(({ kind }) => kind === 'crank'),
    ...[{ id: 'up', position: { how: 'xy' as const, xMm: known(0), yMm: known(200) } }, ...more].map((one) => ({
      name: one.id,
      kind: 'idler' as const,
      ratio: { num: 1, den: 1 },
      ...one,
    })),
  ],
})
const byCalliper = (side: 'left' | 'right', ...from: [string, number][]): Extract<Position, { how: 'distances' }> => ({
  how: 'distances',
  side,
  from: from.map(([shaftId, mm]) => ({ shaftId, distanceMm: known(mm) })),
})
const at = (sheet: BuildSheet, id: string) => {
  const shaft = partsOf(sheet).shaft(id)
  return shaft && shaftPoint(sheet, shaft)
}

describe('where a shaft stands', () => {
  test('by distance and direction, counter-clockwise from the right', () => {
    const polar: Position = { how: 'polar', fromShaftId: 'up', distanceMm: known(50), directionDeg: known(90) }
    expect(at(withShafts({ id: 'a', position: polar }), 'a')).toEqual({
      x: expect.closeTo(0, 9),
      y: expect.closeTo(250, 9),
    })
  })
  test('not at all while a distance, a direction or the shaft it is measured from is not known', () => {
    const polar: Position = { how: 'polar', fromShaftId: 'up', distanceMm: known(50) }
    expect(at(withShafts({ id: 'a', position: polar }), 'a')).toBeUndefined()
    expect(at(withShafts({ id: 'a' }), 'a')).toBeUndefined()
    expect(pointOf(base, { ...polar, fromShaftId: 'nobody', directionDeg: known(0) })).toBeUndefined()
  })
  test('two that are measured from each other stand nowhere, and nothing goes round for ever', () => {
    const from = (fromShaftId: string): Position => ({
      how: 'polar',
      fromShaftId,
      distanceMm: known(50),
      directionDeg: known(0),
    })
    const sheet = withShafts({ id: 'a', position: from('b') }, { id: 'b', position: from('a') })
    expect([at(sheet, 'a'), at(sheet, 'b')]).toEqual([undefined, undefined])
    const calliper = withShafts(
      { id: 'a', position: byCalliper('left', ['b', 50], ['up', 60]) },
      { id: 'b', position: byCalliper('left', ['a', 50], ['up', 60]) },
    )
    expect([at(calliper, 'a'), at(calliper, 'b')]).toEqual([undefined, undefined])
  })
  test('a shaft that splines join to another stands on its axis, unless it was measured elsewhere', () => {
    const joined: BuildSheet = {
      ...withShafts({ id: 'a' }, { id: 'b', position: { how: 'xy', xMm: known(7), yMm: known(8) } }),
      couplings: [
        { id: 's', kind: 'spline', fromId: 'up', toId: 'a' },
        { id: 't', kind: 'dog', fromId: 'a', toId: 'b' },
      ],
    }
    expect([at(joined, 'a'), at(joined, 'b')]).toEqual([
      { x: 0, y: 200 },
      { x: 7, y: 8 },
    ])
    const round: BuildSheet = { ...joined, couplings: [{ id: 's', kind: 'spline', fromId: 'a', toId: 'a' }] }
    expect(at(round, 'a')).toBeUndefined()
  })
  test('by calliper from two: left or right of the line from the first to the second', () => {
    // From (0,0) and (0,200): 150 and 250 is the right angle 150-200-250 at the crank.
    const left = withShafts({ id: 'a', position: byCalliper('left', ['crank', 150], ['up', 250]) })
    const right = withShafts({ id: 'a', position: byCalliper('right', ['crank', 150], ['up', 250]) })
    expect(at(left, 'a')).toEqual({ x: expect.closeTo(-150, 6), y: expect.closeTo(0, 6) })
    expect(at(right, 'a')).toEqual({ x: expect.closeTo(150, 6), y: expect.closeTo(0, 6) })
  })
  test('distances measured off any place find it again; one too many is fitted, and how badly is said', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: -100, max: 400, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        (x, y, slip) => {
          fc.pre(Math.abs(x) > 20)
          const third = { id: 'third', position: { how: 'xy' as const, xMm: known(140), yMm: known(90) } }
          const side = x < 0 ? 'left' : 'right'
          const far = (px: number, py: number) => Math.hypot(x - px, y - py)
          const place = byCalliper(side, ['crank', far(0, 0)], ['up', far(0, 200)])
          const sheet = withShafts(third, { id: 'a', position: place })
          const found = at(sheet, 'a')
          expect(Math.hypot((found?.x ?? 0) - x, (found?.y ?? 0) - y)).toBeLessThan(1e-5)
          const more = byCalliper(side, ['crank', far(0, 0)], ['up', far(0, 200)], ['third', far(140, 90) + slip])
          const fitted = fitDistances(sheet, more)
          if (!fitted?.ok) throw new Error('not placed')
          expect(fitted.value.misfitMm).toBeLessThanOrEqual(Math.abs(slip) + 1e-6)
          if (Math.abs(slip) < 1e-9) expect(fitted.value.misfitMm).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 200 },
    )
  })
  test('distances that do not reach each other are refused with the gap', () => {
    const sheet = withShafts()
    expect(fitDistances(sheet, byCalliper('left', ['crank', 50], ['up', 60]))).toMatchObject({
      ok: false,
      error: { code: 'doNotMeet', gapMm: expect.closeTo(90, 6) },
    })
    expect(fitDistances(sheet, byCalliper('left', ['crank', 50], ['nobody', 60]))).toBeUndefined()
  })
})

describe('how a wheel sits on its shaft', () => {
  const mark = (change: Partial<Mark>): Mark => ({
    id: 'm',
    name: 'm',
    memberId: ids.camSprocket,
    halfTeeth: 0,
    cutFor: 'pose',
    meets: '',
    ...change,
  })
  test('half teeth are gaps and tips in turn', () => {
    expect([0, 1, 2, 75].map((halfTeeth) => markSeat(mark({ halfTeeth })))).toEqual(['gap', 'tip', 'gap', 'tip'])
    // 38 teeth: a tooth is 9.474°.
    expect(markAngleDeg(mark({ halfTeeth: 3 }), 38)).toBeCloseTo(14.21, 2)
  })
  test('from where its mark points in the pose, less where the mark is cut', () => {
    const sheet = { ...base, marks: [mark({ halfTeeth: 2, pointsAtDeg: known(100) })] }
    expect(gapZeroDeg(sheet, ids.camSprocket)).toBeCloseTo(100 - 360 / 38, 9)
    expect(gapZeroDeg({ ...base, marks: [mark({})] }, ids.camSprocket)).toBeUndefined()
  })
  test('a mark that meets at an event of its own is turned back to the pose, at the speed and hand of its shaft', () => {
    const own = { ...base, marks: [mark({ pointsAtDeg: known(100), meetsAtDeg: known(90) })] }
    // The cam turns 45° clockwise in 90° of the crank: in the pose it stands 45° counter-clockwise of where it meets.
    expect(gapZeroDeg(own, ids.camSprocket)).toBeCloseTo(145, 9)
    expect(markPoseDeg(own, own.marks[0])).toBe(90)
    expect(markPoseDeg(base, undefined)).toBe(0)
  })
})
