import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { sheetWithCams, camOf, type CamFigures } from '../testing/sheetWithCams'
import { camSpec, liftCurve, overlapOf, pistonCurve } from '.'

const inlet: CamFigures = { opensDeg: 17, closesDeg: 57, checkingLiftMm: 0.5, topLiftMm: 9 }
const exhaust: CamFigures = { opensDeg: 60, closesDeg: 20, checkingLiftMm: 0.5, topLiftMm: 8.6 }
const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
const sheet = sheetWithCams(inlet, exhaust, { strokeMm: known(82), rodMm: known(142) })
const liftsAt = (lateDeg: number, ...degs: number[]) => {
  const curve = liftCurve(sheet, camOf(sheet, 'inlet'), { lateDeg, stepDeg: 1 })
  return degs.map((deg) => curve?.find((point) => point.deg === deg)?.mm)
}

describe('lift over the cycle', () => {
  // 17 before overlap TDC is 343, 57 after BDC is 597; half way between is 470. Handbook 12: the centre is 110 after TDC.
  test('at the events the checking lift, at the centre the top lift, half a cycle away nothing', () =>
    expect(liftsAt(0, 343, 597, 470, 110)).toEqual([
      expect.closeTo(0.5, 6),
      expect.closeTo(0.5, 6),
      expect.closeTo(9, 6),
      0,
    ]))
  test('late by so much, everything comes so much later', () => {
    expect(liftsAt(12, 355, 609, 482)).toEqual([expect.closeTo(0.5, 6), expect.closeTo(0.5, 6), expect.closeTo(9, 6)])
    const book = liftCurve(sheet, camOf(sheet, 'inlet'), { lateDeg: 0, stepDeg: 1 }) ?? []
    fc.assert(
      fc.property(fc.integer({ min: -180, max: 180 }), (late) => {
        const moved = liftCurve(sheet, camOf(sheet, 'inlet'), { lateDeg: late, stepDeg: 1 }) ?? []
        for (const deg of [0, 200, 343, 470, 560])
          expect(moved[(deg + late + 720) % 720]?.mm).toBeCloseTo(book[deg]?.mm ?? NaN, 9)
      }),
      { numRuns: 50 },
    )
  })
  test('the same at both ends of the cycle, never below nothing', () => {
    const curve = liftCurve(sheet, camOf(sheet, 'exhaust'), { lateDeg: 0, stepDeg: 4 }) ?? []
    expect(curve).toHaveLength(181)
    expect(curve[0]?.mm).toBeCloseTo(curve.at(-1)?.mm ?? NaN, 9)
    expect(Math.min(...curve.map(({ mm }) => mm))).toBe(0)
  })
  // A second route to the same area: the trapezium rule over the curve against the profile summed on its own axis.
  test('the area under it is the profile’s own', () => {
    const { profile } = camSpec(sheet, camOf(sheet, 'inlet'))
    if (!profile) throw new Error('no profile')
    const curve = liftCurve(sheet, camOf(sheet, 'inlet'), { lateDeg: 0, stepDeg: 0.25 }) ?? []
    const area = curve.reduce((sum, { mm }) => sum + mm * 0.25, 0)
    let own = 0
    for (let deg = profile.fromDeg; deg < profile.toDeg; deg += 0.1) own += profile.liftAt(deg + 0.05) * 0.1
    expect(area / own).toBeCloseTo(1, 3)
  })
  test('without figures there is no curve', () => {
    const bare = sheetWithCams({}, {})
    expect(liftCurve(bare, camOf(bare, 'inlet'), { lateDeg: 0, stepDeg: 4 })).toBeUndefined()
  })
})

describe('the piston on the same axis', () => {
  // Handbook 13, independently computed: stroke 82, rod 142 drops 25.0 mm at 60°, 9.9 at 36°, 7.0 at 30°.
  test.each([
    [0, 0],
    [30, 7.0],
    [36, 9.9],
    [60, 25.0],
    [180, 82],
    [360, 0],
    [660, 25.0],
  ])('at %i° it stands %d mm down', (deg, mm) =>
    expect(pistonCurve(sheet, 'cyl-1', 1)?.find((point) => point.deg === deg)?.mm).toBeCloseTo(mm, 1),
  )
  test('without stroke or rod, or a cylinder whose place is not known, there is none', () => {
    expect(pistonCurve(sheetWithCams(inlet, exhaust), 'cyl-1', 1)).toBeUndefined()
    expect(pistonCurve(sheet, 'nobody', 1)).toBeUndefined()
    expect(pistonCurve({ ...sheet, rodMm: known(40) }, 'cyl-1', 1)).toBeUndefined()
  })
})

describe('overlap', () => {
  // Handbook 12, independently computed: 17/57/60/20 overlap by 37°.
  test('from the inlet’s opening to the exhaust’s closing', () => {
    expect(overlapOf(sheet, 'cyl-1')).toEqual({ fromDeg: 343, toDeg: 380 })
  })
  test('none where they are never open at once, or it is not known', () => {
    const none = sheetWithCams({ ...inlet, opensDeg: -10 }, { ...exhaust, closesDeg: 5 })
    expect(overlapOf(none, 'cyl-1')).toBeUndefined()
    expect(overlapOf(sheetWithCams(inlet, {}), 'cyl-1')).toBeUndefined()
    expect(overlapOf(sheet, 'nobody')).toBeUndefined()
  })
})
