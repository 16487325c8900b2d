import { describe, expect, test } from 'vitest'
import { gaussian, makeRandom } from '../random'
import {
  periodsOf,
  placesWanted,
  playFromOver,
  overFromPlay,
  overPerPlay,
  readRound,
  widestGap,
  type DrivePeriods,
} from '.'
import { sheetWithDrive } from '../testing/sheetWithDrive'

/* A chain of 104 round 21 and 42: the crank once a turn, the cam every 2, the chain every 104 / 21 turns. */
const drive: DrivePeriods = {
  periods: [
    { of: { wheels: ['crank'] }, turns: 1 },
    { of: { wheels: ['cam'] }, turns: 2 },
    { of: 'loop', turns: 104 / 21 },
  ],
  loop: { perTurn: 21, pitches: 104 },
  allTurns: 104,
}
const RUN_PITCHES = 18
const SPAN_MM = 170
const linear = {
  from: (value: number) => overFromPlay(SPAN_MM, value / 2),
  slope: (value: number) => overPerPlay(SPAN_MM, value / 2) / 2,
  back: (over: number) => 2 * playFromOver(SPAN_MM, over),
}

/** What is over on the run at a turn: a sprocket off its centre, and one stiff stretch of the chain. */
interface Faults {
  readonly meanMm: number
  readonly crankMm?: number
  readonly camMm?: number
  readonly stiffMm?: number
}
function overAt(turns: number, { meanMm, crankMm = 0, camMm = 0, stiffMm = 0 }: Faults): number {
  const phase = (turns * 21) / 104 - 0.31
  const onRun = phase - Math.floor(phase) < RUN_PITCHES / 104
  return (
    meanMm +
    crankMm * Math.cos(2 * Math.PI * turns + 0.7) +
    camMm * Math.cos(Math.PI * turns + 2.1) -
    (onRun ? stiffMm : 0)
  )
}

function roundOf(faults: Faults, { seed, sigmaMm = 0.05 }: { seed: number; sigmaMm?: number }) {
  const { stepDeg, places } = placesWanted(drive, RUN_PITCHES)
  const random = makeRandom(seed)
  const readings = Array.from({ length: places }, (_, i) => {
    const turnDeg = i * stepDeg
    const value = 2 * playFromOver(SPAN_MM, overAt(turnDeg / 360, faults)) + sigmaMm * gaussian(random)
    return { turnDeg, value, plusMinus: 2 * sigmaMm }
  })
  return readRound(readings, drive, { runPitches: RUN_PITCHES, linear })
}

describe('how many places show all of a drive', () => {
  const { stepDeg, places } = placesWanted(drive, RUN_PITCHES)
  const turns = Array.from({ length: places }, (_, i) => (i * stepDeg) / 360)
  test('every wheel in each third of its turn, every link on the run', () => {
    for (const { of, turns: period } of drive.periods)
      expect(widestGap(turns.map((turn) => turn / period))).toBeLessThanOrEqual(
        (of === 'loop' ? RUN_PITCHES / 104 : 1 / 3) + 1e-6,
      )
  })
  test('one place fewer does not', () => {
    const fewer = turns.slice(0, -1)
    expect(
      drive.periods.some(
        ({ of, turns: period }) =>
          widestGap(fewer.map((turn) => turn / period)) > (of === 'loop' ? RUN_PITCHES / 104 : 1 / 3) + 1e-6,
      ),
    ).toBe(true)
  })
  test('half a turn at a time sees the crank at two places only, so it is not that', () =>
    expect(stepDeg).not.toBe(180))
  test('the periods of a drive on its sheet', () => {
    const sheet = sheetWithDrive('twinCam', { 'crank-sprocket': 21, 'exhaust-sprocket': 42, 'inlet-sprocket': 42 })
    const [loop] = sheet.loops
    if (!loop) throw new Error('no loop')
    const counted = { ...loop, pitches: { value: 104, typed: '', trust: 'measured' as const } }
    const found = periodsOf({ ...sheet, loops: [counted] }, counted)
    expect(found?.periods.map(({ turns: period }) => period)).toEqual([1, 2, expect.closeTo(104 / 21, 9)])
  })
})

describe('what the places say together, by simulation', () => {
  test('a crank sprocket off its centre is named, with how much', () => {
    const round = roundOf({ meanMm: 1, crankMm: 0.25 }, { seed: 1 })
    expect(round?.swings).toHaveLength(1)
    expect(round?.swings[0]).toMatchObject({ kind: 'runOut', wheels: ['crank'] })
    expect(round?.swings[0]?.amplitude).toBeCloseTo(0.25, 1)
  })
  test('and so is a cam sprocket', () =>
    expect(roundOf({ meanMm: 1, camMm: 0.25 }, { seed: 2 })?.swings[0]).toMatchObject({ wheels: ['cam'] }))
  test('a stiff stretch comes back with the chain', () => {
    const round = roundOf({ meanMm: 1, stiffMm: 0.4 }, { seed: 3 })
    expect(round?.swings[0]).toMatchObject({ kind: 'stretch', turns: 104 / 21 })
    expect(round?.swings[0]?.amplitude).toBeCloseTo(-0.4, 1)
  })
  test('of 200 sound drives hardly one is blamed', () => {
    const blamed = Array.from({ length: 200 }, (_, i) => roundOf({ meanMm: 1 }, { seed: 100 + i })?.swings.length ?? 0)
    expect(blamed.filter((n) => n > 0).length).toBeLessThanOrEqual(10)
  })
  test('of 200 with one fault the right one is named in nine of ten', () => {
    const right = Array.from({ length: 200 }, (_, i) => {
      const which = i % 3
      const faults = which === 0 ? { crankMm: 0.2 } : which === 1 ? { camMm: 0.2 } : { stiffMm: 0.3 }
      const [first] = roundOf({ meanMm: 1.2, ...faults }, { seed: 1000 + i })?.swings ?? []
      if (which === 2) return first?.kind === 'stretch'
      return first?.kind === 'runOut' && first.wheels[0] === ['crank', 'cam'][which]
    })
    expect(right.filter(Boolean).length).toBeGreaterThanOrEqual(180)
  })
  test('what was not looked at is not tighter than what is told it could hide', () => {
    const held = Array.from({ length: 200 }, (_, i) => {
      const faults = { meanMm: 1.2, crankMm: 0.1 + (i % 5) * 0.05, camMm: (i % 3) * 0.1, stiffMm: i % 2 ? 0.25 : 0 }
      const round = roundOf(faults, { seed: 5000 + i })
      const truth = Math.min(
        ...Array.from({ length: 104 * 24 }, (_x, k) => 2 * playFromOver(SPAN_MM, overAt(k / 24, faults))),
      )
      return round?.couldHide !== undefined && round.couldHide <= truth + 0.1
    })
    expect(held.filter(Boolean).length).toBeGreaterThanOrEqual(190)
  })
  test('with too few places nothing is told of the rest', () => {
    const few = [0, 270, 540].map((turnDeg) => ({ turnDeg, value: 4, plusMinus: 0.5 }))
    const round = readRound(few, drive, { runPitches: RUN_PITCHES, linear })
    expect(round).toMatchObject({ whole: false, couldHide: undefined, curve: undefined })
    expect(round?.unseenShare).toBeGreaterThan(0.4)
  })
  test('nothing read, nothing said', () => expect(readRound([], drive, { runPitches: RUN_PITCHES })).toBeUndefined())
})
