import { describe, expect, test } from 'vitest'
import { gaussian, makeRandom } from '../random'
import type { BuildSheet } from '../model'
import { sheetWithCams, camOf, type CamFigures } from '../testing/sheetWithCams'
import { wrapTo360, wrapToCycle } from '../units'
import {
  camSpec,
  isSaid,
  latenessFromCentre,
  latenessFromClock,
  latenessFromEqualLift,
  latenessFromEvents,
  latenessFromGauge,
  latenessFromRocking,
  latenessFromTdcLift,
  liftAtBookPlace,
  liftCurve,
  lobeHour,
  type CamLateness,
  type CamProfile,
  type ReadLateness,
} from '.'

const inlet: CamFigures = { opensDeg: 17, closesDeg: 57, topLiftMm: 9, checkingLiftMm: 0.5, fullLiftClock: 6 }
const exhaust: CamFigures = { opensDeg: 60, closesDeg: 20, topLiftMm: 8.6, checkingLiftMm: 0.5, fullLiftClock: 6 }
const sheet = sheetWithCams(inlet, exhaust)
const zero = { wheelDeg: 30, sigmaDeg: 0.1 }
const bench = { sheet, zero, wheelSigmaAt: () => 0.15 }
const [inletCam, exhaustCam] = [camOf(sheet, 'inlet'), camOf(sheet, 'exhaust')]
const profileOf = (valve: 'inlet' | 'exhaust'): CamProfile => {
  const { profile } = camSpec(sheet, camOf(sheet, valve))
  if (!profile) throw new Error('no lobe')
  return profile
}
const said = <T extends CamLateness>(read: ReadLateness<T>): T => {
  if (!isSaid(read)) throw new Error(String(read))
  return read
}
/** The wheel's reading at a place of the cycle. */
const wheelAt = (deg: number) => wrapTo360(deg + zero.wheelDeg)

// Handbook 12, independently computed: spec 17/57/60/20 read 9/65/52/28 is +8 on both and duration 0; read 12/52 is phase 0, duration -10.
describe('an opening and a closing', () => {
  const read = (opens: number, closes: number, liftMm?: number) =>
    latenessFromEvents(
      bench,
      inletCam,
      { opensWheelDeg: wheelAt(360 - opens), closesWheelDeg: wheelAt(540 + closes), liftMm },
      0.5,
    )
  test('9/65: 8 late, as long as the book', () =>
    expect(said(read(9, 65))).toMatchObject({ latenessDeg: expect.closeTo(8, 9), durationDeg: expect.closeTo(0, 9) }))
  test('12/52: the phase right, 10 too short', () =>
    expect(said(read(12, 52))).toMatchObject({
      latenessDeg: expect.closeTo(0, 9),
      durationDeg: expect.closeTo(-10, 9),
    }))
  test('an exhaust 52/28: 8 late', () => {
    const wheel = { opensWheelDeg: wheelAt(180 - 52), closesWheelDeg: wheelAt(360 + 28) }
    expect(said(latenessFromEvents(bench, exhaustCam, wheel, 0.5)).latenessDeg).toBeCloseTo(8, 9)
  })
  test('read at 1 mm it is converted through the lobe, with a wider ±; without a lobe it is refused', () => {
    const centre = 470
    const at = (flank: 'opening' | 'closing') => wheelAt(centre + (profileOf('inlet').degAtLift(1, flank) ?? NaN))
    const wheel = { opensWheelDeg: at('opening'), closesWheelDeg: at('closing'), liftMm: 1 }
    const converted = said(latenessFromEvents(bench, inletCam, wheel, 0.5))
    expect(converted).toMatchObject({
      converted: true,
      latenessDeg: expect.closeTo(0, 6),
      durationDeg: expect.closeTo(0, 6),
    })
    expect(converted.sigmaDeg).toBeGreaterThan(said(read(17, 57)).sigmaDeg)
    const bare = sheetWithCams({ opensDeg: 17, closesDeg: 57, checkingLiftMm: 0.5 }, {})
    expect(latenessFromEvents({ ...bench, sheet: bare }, camOf(bare, 'inlet'), wheel, 0.5)).toBe('noProfile')
  })
  test('without the book’s figures nothing is said', () => {
    const bare = sheetWithCams({}, {})
    expect(
      latenessFromEvents({ ...bench, sheet: bare }, camOf(bare, 'inlet'), { opensWheelDeg: 1, closesWheelDeg: 2 }, 0.5),
    ).toBe('noSpec')
  })
})

describe('equal lifts either side of the top', () => {
  test('the middle, whichever heights; alike on both sides it does not drift', () => {
    const pairs = [2, 5, 8].map((liftMm) => ({
      liftMm,
      upDeg: wheelAt(473 + (profileOf('inlet').degAtLift(liftMm, 'opening') ?? NaN)),
      downDeg: wheelAt(473 + (profileOf('inlet').degAtLift(liftMm, 'closing') ?? NaN)),
    }))
    const read = said(latenessFromCentre(bench, inletCam, pairs))
    expect(read.latenessDeg).toBeCloseTo(3, 6)
    expect(Math.max(...read.driftsDeg.map(Math.abs))).toBeLessThan(1e-6)
  })
})

describe('at overlap TDC', () => {
  const lifts = (late: number) => ({
    inletMm: profileOf('inlet').liftAt(-110 - late),
    exhaustMm: profileOf('exhaust').liftAt(110 - late),
  })
  test('a late inlet has opened less, a late exhaust has closed less', () => {
    for (const late of [-4, 0, 4]) {
      expect(said(latenessFromTdcLift(bench, inletCam, lifts(late).inletMm)).latenessDeg).toBeCloseTo(late, 6)
      expect(said(latenessFromTdcLift(bench, exhaustCam, lifts(late).exhaustMm)).latenessDeg).toBeCloseTo(late, 6)
    }
  })
  test('rocking: small lateness by the two lifts, or by where on the wheel both stand alike', () => {
    const pair = { inlet: inletCam, exhaust: exhaustCam }
    expect(said(latenessFromRocking(bench, pair, lifts(0))).latenessDeg).toBeCloseTo(0, 6)
    expect(said(latenessFromRocking(bench, pair, lifts(2))).latenessDeg).toBeCloseTo(2, 0)
    const alike = { ...bench, wheelSigmaAt: () => 0.15 }
    const equal = said(latenessFromEqualLift(alike, pair, wheelAt(360), 0.5)).latenessDeg
    expect(said(latenessFromEqualLift(alike, pair, wheelAt(365), 0.5)).latenessDeg - equal).toBeCloseTo(5, 6)
  })
  test('two camshafts leave two answers', () => {
    const apart = { inlet: { ...inletCam, shaftId: 'other' }, exhaust: exhaustCam }
    expect(latenessFromRocking(bench, apart, lifts(0))).toBe('twoCamshafts')
  })
  test('a lift that the lobe does not have is asked about', () =>
    expect(latenessFromTdcLift(bench, inletCam, 12)).toBe('outsideLobe'))
})

// Valve lift is follower lift times the rocker's ratio less the lash: 2 mm at 1.5 with 0.3 is 2.7 mm, independently computed.
test('a dial on the follower told as the valve would have it, and the other way about', () => {
  const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
  const cam = { ...inletCam, rockerRatio: known(1.5), lashMm: known(0.3) }
  expect(liftAtBookPlace({ ...cam, measuredAt: 'valve' }, 2, 'follower')).toBeCloseTo(2.7, 9)
  expect(liftAtBookPlace({ ...cam, measuredAt: 'follower' }, 2.7, 'valve')).toBeCloseTo(2, 9)
  expect(liftAtBookPlace({ ...cam, measuredAt: 'valve' }, 2, 'valve')).toBe(2)
  expect(liftAtBookPlace({ ...cam, measuredAt: 'valve' }, 0.1, 'follower')).toBe(0)
})

test('a pin 1 mm off at a radius of 30: 1.91° of the shaft, 3.82° at the crank, independently computed', () => {
  const read = said(latenessFromGauge(bench, inletCam.shaftId, { offMm: 1, radiusMm: 30 }))
  expect(read.latenessDeg).toBeCloseTo(3.8204, 3)
  expect(latenessFromGauge(bench, inletCam.shaftId, { offMm: 31, radiusMm: 30 })).toBe('noRadius')
})

describe('lobes as a clock face, clockwise engine, half speed: 15 degrees of crank a quarter hour', () => {
  test('at full lift where the sheet says; half a turn on of the crank is a quarter turn of the lobe', () => {
    expect(lobeHour(sheet, inletCam, 470)).toBeCloseTo(6, 9)
    expect(lobeHour(sheet, inletCam, 470 + 180)).toBeCloseTo(9, 9)
  })
  test('an hour back is 60° of the crank late; half a turn out shows', () => {
    const at = (hour: number) =>
      said(latenessFromClock(sheet, inletCam, { crankDeg: 470, hour, sureToHours: 0.5 })).latenessDeg
    expect(at(5)).toBeCloseTo(60, 9)
    expect(Math.abs(at(0))).toBeCloseTo(360, 9)
  })
  test('over the cycle it goes round once, and late by 30° is half an hour behind', () => {
    for (let deg = 0; deg < 720; deg += 45) {
      const hour = wrapToCycle((lobeHour(sheet, inletCam, deg) ?? NaN) - 0.5, 12)
      expect(said(latenessFromClock(sheet, inletCam, { crankDeg: deg, hour, sureToHours: 1 })).latenessDeg).toBeCloseTo(
        30,
        6,
      )
    }
  })
  test('without where it points at full lift nothing is said', () => {
    const bare = sheetWithCams({ opensDeg: 17, closesDeg: 57 }, {})
    expect(latenessFromClock(bare, camOf(bare, 'inlet'), { crankDeg: 0, hour: 3, sureToHours: 1 })).toBe('noClock')
  })
})

test('the lobe on the cycle has its top where the centre is', () => {
  const curve = liftCurve(sheet, inletCam, { lateDeg: 4, stepDeg: 1 }) ?? []
  const top = curve.reduce((best, one) => (one.mm > best.mm ? one : best))
  expect(top).toMatchObject({ deg: 474, mm: expect.closeTo(9, 3) })
})

/* Somebody reading a cam that is known, with the noise each way is said to have: the ± that is shown has to hold the truth. */
describe.each(['gaussian', 'rounded'] as const)('the ± of every way is honest: %s', (noise) => {
  const random = makeRandom(noise === 'gaussian' ? 7 : 11)
  const division = 0.5
  const wheelSigmaDeg = division / Math.sqrt(12)
  const wheel = (deg: number) =>
    noise === 'gaussian'
      ? wheelAt(deg + wheelSigmaDeg * gaussian(random))
      : wrapTo360(Math.round(wheelAt(deg) / division) * division)
  const dial = (mm: number) => (noise === 'gaussian' ? mm + 0.02 * gaussian(random) : Math.round(mm / 0.05) * 0.05)
  const by = (sigma: number) => sigma * gaussian(random)
  const [i, e] = [profileOf('inlet'), profileOf('exhaust')]
  // Lobes that are known row by row: nothing of their shape is open.
  const rows = ({ liftAt, fromDeg, toDeg }: CamProfile) =>
    Array.from({ length: Math.floor(toDeg - fromDeg) + 1 }, (_, k) => fromDeg + k).map((deg) => ({
      deg,
      liftMm: liftAt(deg),
    }))
  const tabled = sheetWithCams(inlet, exhaust)
  const known: BuildSheet = {
    ...tabled,
    cams: tabled.cams.map((cam) => ({ ...cam, liftTable: rows(cam.valve === 'inlet' ? i : e) })),
  }
  const sure = {
    ...bench,
    sheet: known,
    wheelSigmaAt: () => wheelSigmaDeg,
    zero: { wheelDeg: zero.wheelDeg, sigmaDeg: 0 },
  }
  const [inletCam, exhaustCam] = [camOf(known, 'inlet'), camOf(known, 'exhaust')]
  const ways: Record<string, (late: number) => ReadLateness> = {
    events: (late) =>
      latenessFromEvents(
        sure,
        inletCam,
        { opensWheelDeg: wheel(343 + late + by(0.75)), closesWheelDeg: wheel(597 + late + by(0.75)) },
        0.75,
      ),
    centre: (late) =>
      latenessFromCentre(
        sure,
        inletCam,
        [2, 4, 6].map((liftMm) => {
          const at = (flank: 'opening' | 'closing') => 470 + late + (i.degAtLift(dial(liftMm), flank) ?? NaN)
          return { liftMm, upDeg: wheel(at('opening')), downDeg: wheel(at('closing')) }
        }),
      ),
    equal: (late) => {
      const own = said(
        latenessFromEqualLift(sure, { inlet: inletCam, exhaust: exhaustCam }, wheelAt(360), 0.75),
      ).latenessDeg
      return latenessFromEqualLift(
        sure,
        { inlet: inletCam, exhaust: exhaustCam },
        wheel(360 - own + late + by(0.75)),
        0.75,
      )
    },
    gauge: (late) => {
      const off = 30 * Math.sin((late * Math.PI) / 360)
      return latenessFromGauge(sure, inletCam.shaftId, {
        offMm: noise === 'gaussian' ? off + by(0.1) : Math.round(off / 0.1) * 0.1,
        radiusMm: 30,
      })
    },
    clock: (late) => {
      const hour = (lobeHour(sheet, inletCam, 180) ?? 0) - late / 60
      const seen = noise === 'gaussian' ? hour + by(0.5) : Math.round(hour)
      return latenessFromClock(sheet, inletCam, { crankDeg: 180, hour: wrapToCycle(seen, 12), sureToHours: 1 })
    },
  }
  test.each(Object.keys(ways))('%s', (name) => {
    const trials = 6000
    let held = 0
    for (let k = 0; k < trials; k++) {
      const late = 20 * random() - 10
      const read = said(ways[name]?.(late) ?? 'noSpec')
      if (Math.abs(read.latenessDeg - late) <= 2 * read.sigmaDeg) held++
    }
    expect(held / trials).toBeGreaterThanOrEqual(0.94)
    if (noise === 'gaussian') expect(held / trials).toBeLessThanOrEqual(0.965)
  })
  test.each(['tdcLift', 'rocking'])('%s, the lobe known row by row', (name) => {
    const trials = 4000
    let held = 0
    for (let k = 0; k < trials; k++) {
      const late = 3 * random() - 1.5
      const lifts = { inletMm: dial(i.liftAt(-110 - late)), exhaustMm: dial(e.liftAt(110 - late)) }
      const read = said(
        name === 'tdcLift'
          ? latenessFromTdcLift(sure, inletCam, lifts.inletMm)
          : latenessFromRocking(sure, { inlet: inletCam, exhaust: exhaustCam }, lifts),
      )
      if (Math.abs(read.latenessDeg - late) <= 2 * read.sigmaDeg) held++
    }
    expect(held / trials).toBeGreaterThanOrEqual(0.94)
    if (noise === 'gaussian') expect(held / trials).toBeLessThanOrEqual(0.98)
  })
})
