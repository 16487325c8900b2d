import { describe, expect, test } from 'vitest'
import { buildSheetSchema } from '../model'
import { sheetWithCams, camOf } from '../testing/sheetWithCams'
import { camSpec, valveEvents } from '.'

const spec = (sheet: ReturnType<typeof sheetWithCams>, valve: 'inlet' | 'exhaust') =>
  camSpec(sheet, camOf(sheet, valve))
const value = (sheet: ReturnType<typeof sheetWithCams>, valve: 'inlet' | 'exhaust') =>
  Object.fromEntries(Object.entries(spec(sheet, valve).figures).map(([key, { value: n }]) => [key, n]))

// Handbook 12, independently computed: 17/57/60/20: both centres 110, duration 254 and 260... both 17+57+180 and 60+20+180.
describe('17/57/60/20', () => {
  const sheet = sheetWithCams({ opensDeg: 17, closesDeg: 57 }, { opensDeg: 60, closesDeg: 20 })
  test('both centres 110, the rest derived and marked so', () => {
    expect(value(sheet, 'inlet')).toMatchObject({ centre: 110, duration: 254 })
    expect(value(sheet, 'exhaust')).toMatchObject({ centre: 110, duration: 260 })
    expect(spec(sheet, 'inlet').figures.opens?.from).toBe('given')
    expect(spec(sheet, 'inlet').figures.centre?.from).toBe('derived')
  })
  test('the centre on the cycle: inlet 360 + 110, exhaust 360 - 110', () => {
    expect(spec(sheet, 'inlet').centreOnCycleDeg).toBe(470)
    expect(spec(sheet, 'exhaust').centreOnCycleDeg).toBe(250)
  })
})

describe('whichever figures the mechanic has', () => {
  test('centre and duration give the events', () => {
    const sheet = sheetWithCams({ centreDeg: 110, durationDeg: 254 }, { centreDeg: 110, durationDeg: 260 })
    expect(value(sheet, 'inlet')).toMatchObject({ opens: 17, closes: 57 })
    expect(value(sheet, 'exhaust')).toMatchObject({ opens: 60, closes: 20 })
    expect(valveEvents(sheet, camOf(sheet, 'inlet'))).toEqual({ opens: 343, closes: 597 })
  })
  test('separation and advance of a cam card, + = early: 112 and 4 give 108 and 116', () => {
    const known = (n: number) => ({ value: n, typed: String(n), trust: 'manual' as const })
    const sheet = sheetWithCams(
      { durationDeg: 250 },
      { durationDeg: 250 },
      { separationDeg: known(112), advanceDeg: known(4) },
    )
    expect(value(sheet, 'inlet')).toMatchObject({ centre: 108, opens: 17, closes: 53 })
    expect(value(sheet, 'exhaust')).toMatchObject({ centre: 116, opens: 61, closes: 9 })
  })
  test('one event and the centre give the other; one event and the duration too', () => {
    expect(value(sheetWithCams({ opensDeg: 17, centreDeg: 110 }, {}), 'inlet')).toMatchObject({
      closes: 57,
      duration: 254,
    })
    expect(value(sheetWithCams({ closesDeg: 57, durationDeg: 254 }, {}), 'inlet')).toMatchObject({
      opens: 17,
      centre: 110,
    })
    expect(value(sheetWithCams({ closesDeg: 57, centreDeg: 110 }, {}), 'inlet')).toMatchObject({
      opens: 17,
      duration: 254,
    })
  })
  test('with a top lift there is a lobe, and a lift at TDC; with that lift instead of a centre, the centre', () => {
    const sheet = sheetWithCams({ opensDeg: 17, closesDeg: 57, topLiftMm: 9, checkingLiftMm: 0.5 }, {})
    const lift = value(sheet, 'inlet')['tdcLift'] ?? 0
    expect(lift).toBeGreaterThan(1)
    expect(lift).toBeLessThan(3)
    const back = sheetWithCams({ durationDeg: 254, tdcLiftMm: lift, topLiftMm: 9, checkingLiftMm: 0.5 }, {})
    expect(value(back, 'inlet')['centre']).toBeCloseTo(110, 1)
  })
  test('nothing is made up from nothing', () => expect(value(sheetWithCams({}, {}), 'inlet')).toEqual({}))
})

test('figures that contradict are shown with both, and agreeing ones are not', () => {
  const sheet = sheetWithCams({ opensDeg: 17, closesDeg: 57, centreDeg: 104, durationDeg: 254 }, {})
  expect(spec(sheet, 'inlet').contradictions).toEqual([{ key: 'centre', given: 104, derived: 110 }])
  expect(spec(sheetWithCams({ opensDeg: 17, closesDeg: 57, centreDeg: 110 }, {}), 'inlet').contradictions).toEqual([])
})

// Independently computed: opens 110 after firing TDC, closes at 243, so its middle is 176.5, 183.5 before the next TDC; open for 133.
test('a uniflow two-stroke’s exhaust closes long before TDC: minus in the book, and a centre beyond 180', () => {
  const uniflow = sheetWithCams({}, { opensDeg: 70, closesDeg: -117 })
  expect(buildSheetSchema.safeParse(uniflow).error?.issues).toBeUndefined()
  const { figures } = camSpec(uniflow, camOf(uniflow, 'exhaust'))
  expect([figures.duration?.value, figures.centre?.value]).toEqual([133, 183.5])
  const told = sheetWithCams({}, { centreDeg: 190, durationDeg: 133 })
  expect(buildSheetSchema.safeParse(told).error?.issues).toBeUndefined()
})
