import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../model'
import { PART_IDS as ids } from '../starters'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { ringOfCams } from '../testing/ringOfCams'
import { sheetWith, sheetWithToothedTensioner } from '../testing/threeMembers'
import { AS_MARKED, countedPin, makeDriveScene, type DriveScene } from '.'

/** The most that a pin lying on a wheel stands off the middle of the nearest gap, in teeth. */
function worstSeat(scene: DriveScene, crankDeg: number): number {
  const offs = scene.loops.flatMap(({ links, pinAt, solved }) =>
    scene.toothed
      .filter(({ memberId }) => solved.members.some((member) => member.memberId === memberId))
      .flatMap(({ memberId, centre, radiusMm, teeth }) =>
        Array.from({ length: links }, (_, k) => pinAt(k, crankDeg)).flatMap((pin) => {
          const [x, y] = [pin.x - centre.x, pin.y - centre.y]
          if (Math.abs(Math.hypot(x, y) - radiusMm) > 0.02) return []
          const gaps = (((Math.atan2(y, x) * 180) / Math.PI - scene.turnOf(memberId, crankDeg)) * teeth) / 360
          return [Math.abs(gaps - Math.round(gaps))]
        }),
      ),
  )
  expect(offs.length).toBeGreaterThan(10)
  return Math.max(...offs)
}

describe('the drive as it is drawn', () => {
  const sheets = {
    'two sprockets and a shoe': sheetWith({}),
    'the other way round': sheetWith({ running: 'anticlockwise' }),
    'a toothed tensioner': sheetWithToothedTensioner(15),
    'a belt round five cams': ringOfCams(5, 'toothedBelt'),
  }
  test.each(Object.entries(sheets))('%s: every pin lies in a gap, wherever the crank stands', (_name, sheet) => {
    const scene = makeDriveScene(sheet, AS_MARKED)
    expect(scene.errors).toEqual([])
    fc.assert(
      // Closed to within a thousandth of a pitch, and laid to whole gaps: no more than that is left anywhere.
      fc.property(fc.double({ min: -720, max: 720, noNaN: true }), (deg) => worstSeat(scene, deg) < 0.02),
      { numRuns: 40 },
    )
  })
  test('turning the crank by one pitch moves every link by one', () => {
    const scene = makeDriveScene(sheetWith({}), AS_MARKED)
    const [loop] = scene.loops
    if (!loop) throw new Error('no loop')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 69 }), fc.double({ min: -360, max: 360, noNaN: true }), (k, deg) => {
        const [now, then] = [loop.pinAt(k + 1, deg), loop.pinAt(k, deg + 360 / 19)]
        expect(Math.hypot(now.x - then.x, now.y - then.y)).toBeLessThan(1e-6)
      }),
      { numRuns: 100 },
    )
  })
  test('a wheel that a loop turns without a shaft turns the way it is passed, tooth by pitch', () => {
    const scene = makeDriveScene(sheetWithToothedTensioner(15), AS_MARKED)
    const [crank, loose] = [ids.crankSprocket, ids.tensioner].map((id) => scene.turnOf(id, 90) - scene.turnOf(id, 0))
    // 19 teeth by a quarter turn are 4.75 pitches, 114° of 15 teeth; passed outside it turns the other way.
    expect(crank).toBeCloseTo(-90, 9)
    expect(loose).toBeCloseTo(114, 9)
  })
  test('a wheel that stands a pitch late is drawn a tooth back; with the loop off as far as it was set', () => {
    const turn = (state: Parameters<typeof makeDriveScene>[1]) =>
      makeDriveScene(sheetWith({}), state).turnOf(ids.camSprocket, 0)
    const right = turn({ ...AS_MARKED, latePitches: { [ids.camSprocket]: 0 } })
    // Clockwise is minus in the plane, so late is plus.
    expect(turn({ ...AS_MARKED, latePitches: { [ids.camSprocket]: 1 } }) - right).toBeCloseTo(360 / 38, 9)
    expect(
      turn({ offLoops: [ids.chain], latePitches: {}, shaftOffDeg: { [ids.cam]: 5 } }) -
        turn({ offLoops: [ids.chain], latePitches: {}, shaftOffDeg: {} }),
    ).toBeCloseTo(5, 9)
  })
  test('with its loop off the crank turns alone', () => {
    const scene = makeDriveScene(sheetWith({}), { ...AS_MARKED, offLoops: [ids.chain] })
    expect(scene.turnOf(ids.camSprocket, 90)).toBe(scene.turnOf(ids.camSprocket, 0))
    expect(scene.turnOf(ids.crankSprocket, 90)).not.toBe(scene.turnOf(ids.crankSprocket, 0))
  })
  test('gears stand with their teeth in the gaps of the next', () => {
    const base = sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
    const at = (xMm: number, yMm: number) => ({
      how: 'xy' as const,
      xMm: { value: xMm, typed: '', trust: 'measured' as const },
      yMm: { value: yMm, typed: '', trust: 'measured' as const },
    })
    const sheet: BuildSheet = {
      ...base,
      shafts: base.shafts.map((shaft) =>
        shaft.id === 'idle'
          ? { ...shaft, position: at(10, 53) }
          : shaft.id === 'camshaft'
            ? { ...shaft, position: at(-30, 115) }
            : shaft,
      ),
    }
    const scene = makeDriveScene(sheet, AS_MARKED)
    const wheel = (id: string) => {
      const one = scene.toothed.find(({ memberId }) => memberId === id)
      if (!one) throw new Error(id)
      return one
    }
    for (const deg of [0, 33, 401])
      for (const [a, b] of [
        [wheel('pinion'), wheel('idle-gear')],
        [wheel('idle-gear'), wheel('cam-gear')],
      ] as const) {
        const towards = (Math.atan2(b.centre.y - a.centre.y, b.centre.x - a.centre.x) * 180) / Math.PI
        const phase = (one: typeof a, direction: number) =>
          (((direction - scene.turnOf(one.memberId, deg)) * one.teeth) / 360) % 1
        const off = phase(a, towards) + phase(b, towards + 180) - 0.5
        expect(Math.abs(off - Math.round(off))).toBeLessThan(1e-6)
      }
  })
  test('what cannot be drawn is said with why, and what is drawn by counts alone says so', () => {
    const bare = sheetWithDrive('twinCam', {})
    expect(makeDriveScene(bare, AS_MARKED)).toMatchObject({
      loops: [],
      errors: [{ loop: { id: 'chain' }, error: { code: 'teethMissing' } }],
    })
    const counted = sheetWithDrive('twinCam', { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 })
    expect(makeDriveScene(counted, AS_MARKED).drawn).toBe('schematic')
  })
})

test('the pin that was counted: under the first mark, the next one, or half a pitch on from a tip', () => {
  expect(countedPin(3, 1, 'under')).toBe(3)
  expect(countedPin(3, 1, 'next')).toBe(4)
  expect(countedPin(3.5, 1, 'afterTip')).toBe(4)
  expect(countedPin(3, 29, 'next')).toBe(32)
})
