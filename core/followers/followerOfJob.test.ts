import { describe, expect, test } from 'vitest'
import { makeRunSheet, schoolsOf, statusOf } from '../runSheet'
import { PART_IDS as ids } from '../starters'
import type { BuildSheet, Follower, NewEntry } from '../model'
import { makeRandom } from '../random'
import { camMark, chain, CYL, firstJob, halfProved, madeSafe, oneChainSheet, stateAfter } from '../testing/oneChain'
import {
  followerOfJob,
  lobeSpread,
  othersOfAKind,
  pointsWhere,
  readLift,
  sharedLateness,
  shaftsToOffer,
  trueLift,
  whichTurn,
} from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const pump: Follower = {
  id: 'pump',
  name: 'Injection pump',
  kind: 'distributorPump',
  shaftId: ids.cam,
  driveEnd: 'timing',
  setBy: ['swing'],
  slotRadiusMm: known(60),
  outlets: [{ name: '1', cylinderId: CYL }],
  wanted: { by: 'lift', value: known(0.82), least: known(0.79), most: known(0.85) },
}
const sheet: BuildSheet = { ...oneChainSheet(), followers: [pump] }
const lift = (
  value: number,
  bolts: 'loose' | 'tight',
  phase: 'found' | 'set' | 'left' = 'set',
  plusMinus = 0.02,
): NewEntry => ({
  kind: 'followerRead',
  followerId: 'pump',
  cylinderId: CYL,
  phase,
  by: 'lift',
  value,
  plusMinus,
  with: 'dial',
  bolts,
  zeroed: 'back',
  approach: 'running',
})
const swung = (amount: number, towards: 'advance' | 'retard' = 'advance'): NewEntry => ({
  kind: 'followerMoved',
  followerId: 'pump',
  how: 'swing',
  amount,
  unit: 'mm',
  towards,
})
const after = (...entries: NewEntry[]) => followerOfJob(sheet, stateAfter(entries, sheet), pump)

describe('a reading that was taken the wrong way says nothing, and why', () => {
  const taken = (more: Partial<Extract<NewEntry, { kind: 'followerRead' }>>) => {
    const { readings, now } = after({ ...lift(0.82, 'tight', 'left'), ...more } as NewEntry)
    return [readings.at(-1)?.not, now]
  }
  test.each([
    [{ approach: 'against' }, 'cameBackwards'],
    [{ zeroed: 'elsewhere' }, 'zeroElsewhere'],
    [{ pressedInMm: 0 }, 'needleAtStop'],
    [{ pressedInMm: 0.09 }, 'needleAtStop'],
    [{ startAdvance: 'on' }, 'startAdvanceOn'],
  ] as const)('%o', (more, why) => expect(taken(more)).toEqual([why, undefined]))
  test('taken as it should be it is held against what is wanted', () =>
    expect(taken({ pressedInMm: 2, startAdvance: 'off', zeroed: 'forward' })).toMatchObject([
      undefined,
      { value: 0.82 },
    ]))
  test('of a place before TDC only the way it was come to counts', () => {
    const place = { by: 'beforeTdc', value: 20, with: 'line', zeroed: undefined, pressedInMm: 0 } as const
    expect(taken(place)).not.toContain('needleAtStop')
    expect(taken({ ...place, approach: 'against' })[0]).toBe('cameBackwards')
  })
})

describe('a pump to its target', () => {
  // By hand: 0.64 found, 1.5 mm gave 0.14, so a mm is 0.0933; 0.04 short want 0.4286 mm.
  test('what a millimetre is worth comes of two readings, and the third move of that', () => {
    const { move, now } = after(lift(0.64, 'loose', 'found'), swung(1.5), lift(0.78, 'loose'))
    expect(now?.value).toBe(0.78)
    expect(move).toMatchObject({ towards: 'advance' })
    expect(move?.perMm).toBeCloseTo(0.0933, 4)
    expect(move?.slotMm).toBeCloseTo(0.4286, 4)
    // At R 60 on a shaft at half speed: 0.409° own, 0.819° at the crank.
    expect(move?.ownDeg).toBeCloseTo(0.4093, 3)
    expect(move?.crankDeg).toBeCloseTo(0.8186, 3)
  })
  test('before a second reading it knows which way and not how far', () =>
    expect(after(lift(0.64, 'tight', 'found')).move).toMatchObject({
      towards: 'advance',
      slotMm: undefined,
      perMm: undefined,
    }))
  test('what tightening pulls is allowed for the next time', () => {
    const { move, pull, now } = after(lift(0.78, 'loose'), swung(0.4), lift(0.82, 'loose'), lift(0.77, 'tight', 'left'))
    expect(now?.against).toMatchObject({ is: 'under' })
    expect(pull).toBeCloseTo(-0.05, 12)
    expect(move?.looseTo).toBeCloseTo(0.87, 12)
  })
  // By hand: 40 teeth are 9° of its own each, 18° at the crank on a shaft at half speed.
  test('whole teeth of a gear hidden inside it are told, and a coupling with two rows its places', () => {
    const geared: Follower = {
      ...pump,
      insideTeeth: known(40),
      setBy: ['vernier'],
      places: known(18),
      placesTo: known(19),
      wanted: { by: 'beforeTdc', value: known(24) },
    }
    const on = { ...sheet, followers: [geared] }
    const read = (value: number) => ({ ...lift(value, 'loose'), by: 'beforeTdc' }) as NewEntry
    const { move } = followerOfJob(on, stateAfter([read(6)], on), geared)
    expect(move).toMatchObject({ crankDeg: 18, ownDeg: 9, insideTeeth: 1 })
    expect(Math.abs(move?.places?.leftoverDeg ?? 99)).toBeLessThanOrEqual(360 / (18 * 19) / 2 + 1e-9)
    expect(followerOfJob(on, stateAfter([read(18)], on), geared).move?.insideTeeth).toBeUndefined()
  })
  test('too much is taken back, and two readings that contradict the move tell no rate', () => {
    expect(after(lift(0.9, 'loose')).move).toMatchObject({ towards: 'retard' })
    expect(after(lift(0.8, 'loose'), swung(1), lift(0.7, 'loose')).move?.perMm).toBeUndefined()
  })
  test('moved, it is to be read again; so it is with its chain off and on', () => {
    const { now, readings } = after(lift(0.82, 'tight', 'found'), swung(0.2))
    expect(now).toBeUndefined()
    expect(readings[0]?.stale).toBe('follower')
    const laid = after(lift(0.82, 'tight', 'found'), chain('off'), chain('on'))
    expect(laid.now).toBeUndefined()
    expect(laid.readings[0]?.stale).toBe('drive')
    expect(laid.found?.value).toBe(0.82)
  })

  // Independently computed: a plunger cam of a simulated pump whose bolts pull it.
  test('any pump comes into its band, loose, by the third reading', () => {
    const random = makeRandom(5)
    let inBand = 0
    const N = 400
    for (let i = 0; i < N; i++) {
      const own = {
        beginsBeforeDeg: 14 + 6 * random(),
        perDeg: 0.04 + 0.04 * random(),
        easesOverDeg: 8,
        ratio: 0.5,
        slotRadiusMm: 55 + 10 * random(),
        pullMm: 0,
        frictionMm: 0.004,
      }
      const tdcOffDeg = 0
      const targetMm = trueLift(own, 0, -2 + 4 * random())
      const aimed: Follower = { ...pump, wanted: { by: 'lift', value: known(targetMm) } }
      const on: BuildSheet = { ...sheet, followers: [aimed] }
      let swungMm = 0
      const entries: NewEntry[] = [lift(readLift(own, { swungMm, tdcOffDeg, random }), 'loose', 'found')]
      for (let n = 0; n < 2; n++) {
        const { move } = followerOfJob(on, stateAfter(entries, on), aimed)
        if (!move) throw new Error('no move')
        const by = move.slotMm ?? (move.towards === 'advance' ? 1 : -1)
        swungMm += by
        entries.push(swung(Math.abs(by), by > 0 ? 'advance' : 'retard'))
        entries.push(lift(readLift(own, { swungMm, tdcOffDeg, random }), 'loose'))
      }
      if (followerOfJob(on, stateAfter(entries, on), aimed).now?.against?.is === 'in') inBand++
    }
    expect(inBand / N).toBeGreaterThan(0.9)
  })
})

describe('which turn of the cycle', () => {
  const [own] = sheet.cylinders
  const two: BuildSheet = {
    ...sheet,
    cylinders: own
      ? [
          { ...own, firingDeg: known(0) },
          { ...own, id: 'cyl-2', name: '2', firingDeg: known(360) },
          { ...own, id: 'cyl-3', name: '3', firingDeg: known(180) },
        ]
      : [],
  }
  test.each([
    [CYL, 'right'],
    ['cyl-2', 'halfTurnOut'],
    ['cyl-3', 'elsewhere'],
  ] as const)('its segment is that of %s: %s, and open without a witness', (pointsAt, says) => {
    expect(pointsWhere(two, stateAfter(halfProved, two), pump, { cylinderId: CYL, pointsAt })).toBe(says)
    expect(pointsWhere(two, stateAfter([], two), pump, { cylinderId: CYL, pointsAt })).toBe('open')
    expect(pointsWhere(two, stateAfter(halfProved, two), pump, { cylinderId: CYL, pointsAt: undefined })).toBe('open')
  })
  test('where it sparks at every TDC, or on a two-stroke, it cannot matter', () => {
    const state = stateAfter([], sheet)
    expect(whichTurn(sheet, state, { ...pump, serves: 'twice' })).toBe('cannotMatter')
    expect(whichTurn({ ...sheet, cycleDeg: 360 }, state, pump)).toBe('cannotMatter')
    expect(whichTurn(sheet, state, pump)).toBe('open')
  })
})

describe('on the run sheet', () => {
  const steps = (on: BuildSheet, purpose: 'pump' | 'whole', followers: 'last' | 'beforeLoop' = 'last') =>
    makeRunSheet(on, { purpose, schools: { ...schoolsOf(on, {}), followers } }).map(({ kind }) => kind)
  test('a job for the pump alone: found, set and read tight, after its zero', () =>
    expect(steps(sheet, 'pump')).toEqual([
      'makeSafe',
      'trueTdc',
      'whichTdc',
      'pumpFound',
      'pumpSet',
      'pumpTight',
      'card',
    ]))
  test('in the whole work it is set last, or before its chain goes on; without a follower there is no such step', () => {
    const whole = steps(sheet, 'whole')
    expect(whole.indexOf('pumpSet')).toBeGreaterThan(whole.indexOf('twoTurns'))
    const before = steps(sheet, 'whole', 'beforeLoop')
    expect(before.indexOf('pumpSet')).toBe(before.indexOf('chainOnCount') - 1)
    expect(before.indexOf('pumpTight')).toBeGreaterThan(before.indexOf('twoTurns'))
    expect(steps(oneChainSheet(), 'whole')).not.toContain('pumpSet')
  })
  test('it is done as its readings say', () => {
    const kinds = { found: 'pumpFound', set: 'pumpSet', tight: 'pumpTight' } as const
    const evidence = (entries: NewEntry[], kind: keyof typeof kinds) => {
      const state = stateAfter([...madeSafe, ...entries], sheet)
      const step = makeRunSheet(sheet, { purpose: 'pump', schools: schoolsOf(sheet, {}) }).find(
        (one) => one.kind === kinds[kind],
      )
      if (!step) throw new Error('no step')
      return statusOf({ step, sheet, job: firstJob, state }).evidence
    }
    expect(evidence([], 'found')).toBe('none')
    const found = lift(0.64, 'tight', 'found')
    expect(evidence([found], 'found')).toBe('read')
    expect(evidence([found], 'set')).toBe('none')
    expect(evidence([found, swung(1), lift(0.75, 'loose')], 'set')).toBe('part')
    expect(evidence([found, swung(1), lift(0.82, 'loose')], 'set')).toBe('read')
    expect(evidence([found, swung(1), lift(0.82, 'loose')], 'tight')).toBe('none')
    expect(evidence([found, swung(1), lift(0.82, 'loose'), lift(0.77, 'tight', 'left')], 'tight')).toBe('part')
    expect(evidence([found, swung(1), lift(0.82, 'loose'), lift(0.82, 'tight', 'left')], 'tight')).toBe('proved')
  })
})

describe('beside another, and lobe against lobe', () => {
  const spark = (id: string, wanted: number): Follower => ({
    ...pump,
    id,
    kind: 'magneto',
    wanted: { by: 'beforeTdc', value: known(wanted) },
  })
  const [near, far] = [spark('a', 30), spark('b', 28)]
  const on: BuildSheet = { ...sheet, followers: [near, far] }
  const read = (followerId: string, value: number, cylinderId = CYL): NewEntry => ({
    kind: 'followerRead',
    followerId,
    cylinderId,
    phase: 'set',
    by: 'beforeTdc',
    value,
    plusMinus: 0.5,
    with: 'lamp',
    bolts: 'tight',
    approach: 'running',
  })
  test('two magnetos: how far apart they stand against how far they are meant to', () => {
    const state = stateAfter([read('a', 30.5), read('b', 28)], on)
    const [said] = othersOfAKind(on, state, near)
    expect(said).toMatchObject({ apart: 2.5, meant: 2 })
    expect(said?.plusMinus).toBeCloseTo(Math.SQRT1_2, 12)
    expect(othersOfAKind(on, stateAfter([read('a', 30)], on), near)).toEqual([])
  })
  test('lobes that open further apart than their ± are told', () => {
    const of = (...values: number[]) =>
      lobeSpread(
        followerOfJob(
          on,
          stateAfter(
            values.map((value, i) => read('a', value, `cyl-${i + 1}`)),
            on,
          ),
          near,
        ),
      )
    expect(of(30)).toBeUndefined()
    expect(of(30, 30.4)).toMatchObject({ sure: false })
    expect(of(30, 32.5)).toMatchObject({ spread: 2.5, sure: true })
  })
})

// By hand: 24 wanted and 18 read is 6 late; the camshaft on its chain 4: 2 are its own.
test('what it shares with the camshaft on its chain, and what is its own', () => {
  const onShaft: Follower = { ...pump, shaftId: 'pump-shaft', wanted: { by: 'beforeTdc', value: known(24) } }
  const on: BuildSheet = {
    ...sheet,
    followers: [onShaft],
    shafts: [...sheet.shafts, { id: 'pump-shaft', name: 'Pump shaft', kind: 'pump', ratio: { num: 1, den: 2 } }],
    members: [
      ...sheet.members,
      { id: 'pump-sprocket', name: 'Pump sprocket', kind: 'sprocket', shaftId: 'pump-shaft', teeth: known(38) },
    ],
    loops: sheet.loops.map((loop) => ({
      ...loop,
      path: [...loop.path, { memberId: 'pump-sprocket', passed: 'inside' as const }],
    })),
  }
  const read = { ...lift(18, 'tight', 'found', 1), by: 'beforeTdc' } as NewEntry
  const state = stateAfter([...halfProved, camMark(9, 'found'), read], on)
  expect(sharedLateness(on, state, onShaft)).toMatchObject({
    latenessDeg: 6,
    commonDeg: expect.closeTo(4, 6) as number,
    ownDeg: expect.closeTo(2, 6) as number,
  })
  expect(sharedLateness(on, stateAfter([read], on), onShaft)).toBeUndefined()
})

test('a shaft of a pump that has nothing on it is offered; one that has is not', () => {
  const shafts = [...sheet.shafts, { id: 'p', name: 'Pump shaft', kind: 'pump' as const, ratio: { num: 1, den: 2 } }]
  expect(shaftsToOffer({ ...sheet, shafts }).map(({ id }) => id)).toEqual(['p'])
  expect(shaftsToOffer({ ...sheet, shafts, followers: [{ ...pump, shaftId: 'p' }] })).toEqual([])
})
