import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry } from '../model'
import { moveProblemOf, offsetKeyDeg, runSearch } from '../search'
import { beginSheet } from '../starters'
import { degreeWheel, madeSafe, saw, stateAfter, stops } from '../testing/oneChain'
import { diagnose, readingsOfJob } from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'manual' as const })

/** Twin cam on one chain, 20 and 40 teeth; inlet 17/57, exhaust 60/20 at 0.5 mm. One tooth is 18° of the crank. */
function twinCam(change: Partial<BuildSheet> = {}): BuildSheet {
  const base = beginSheet({
    id: 'sheet',
    engineId: 'engine',
    at: '2026-01-05T08:00:00.000Z',
    cylinders: 1,
    drive: 'twinCam',
    guide: false,
    tensioner: true,
  })
  return {
    ...base,
    running: known('clockwise' as const),
    members: base.members.map((one) =>
      one.kind === 'sprocket' ? { ...one, teeth: known(one.shaftId === 'crank' ? 20 : 40) } : one,
    ),
    cams: base.cams.map((cam) => ({
      ...cam,
      opensDeg: known(cam.valve === 'inlet' ? 17 : 60),
      closesDeg: known(cam.valve === 'inlet' ? 57 : 20),
      checkingLiftMm: known(0.5),
      topLiftMm: known(9),
      lashMm: known(0.2),
    })),
    ...change,
  }
}
// Stops at 340 and 30: TDC at wheel 5.
const zeroed: NewEntry[] = [
  ...madeSafe,
  degreeWheel,
  stops(340, 30),
  stops(330, 40),
  saw('thumb', 'firing'),
  saw('lobes', 'firing'),
]
const wheel = (deg: number) => (((deg + 5) % 360) + 360) % 360
const events = (valve: 'inlet' | 'exhaust', late: number): NewEntry => ({
  kind: 'valveEvents',
  camId: `cam-1-${valve}`,
  phase: 'found',
  opensWheelDeg: wheel((valve === 'inlet' ? 343 : 120) + late),
  closesWheelDeg: wheel((valve === 'inlet' ? 597 : 380) + late),
  checkingLiftMm: 0.5,
})
const stateOf = (sheet: BuildSheet, ...newEntries: NewEntry[]) => stateAfter([...zeroed, ...newEntries], sheet)

describe('from the ledger to what is wrong', () => {
  test('lobes read by themselves, with their tooth, and the half witnessed by air and by valves', () => {
    const sheet = twinCam()
    const readings = readingsOfJob(sheet, stateOf(sheet, events('inlet', 18), events('exhaust', 0)), 'found')
    expect(readings.half).toBe('agrees')
    expect(
      readings.lobes.map(({ shaftId, latenessDeg }) => [
        shaftId,
        Math.round(latenessDeg * 10) / 10,
        readings.shafts.find((one) => one.shaftId === shaftId)?.toothDeg,
      ]),
    ).toEqual([
      ['exhaust-cam', 0, 18],
      ['inlet-cam', 18, 18],
    ])
    expect(diagnose(readings)).toMatchObject({
      verdict: 'told',
      fits: [{ causes: ['teeth'], teeth: { 'inlet-cam': 1 } }],
    })
  })
  test('lash as it was found is held to', () => {
    const sheet = twinCam()
    const lash: NewEntry = { kind: 'lash', camId: 'cam-1-inlet', phase: 'found', gapMm: 0.35 }
    const readings = readingsOfJob(sheet, stateOf(sheet, events('inlet', 0), lash), 'found')
    expect(readings.lobes[0]?.lashOverMm).toBeCloseTo(0.15, 9)
    expect(readings.lobes[0]?.perLash).toBeGreaterThan(5)
  })
  test('air against the valves is the other half; one of them alone says nothing', () => {
    const sheet = twinCam()
    const against = stateAfter(
      [...madeSafe, degreeWheel, stops(340, 30), saw('thumb', 'firing'), saw('lobes', 'overlap')],
      sheet,
    )
    expect(readingsOfJob(sheet, against, 'found').half).toBe('opposite')
    const alone = stateAfter([...madeSafe, degreeWheel, stops(340, 30), saw('lobes', 'firing')], sheet)
    expect(readingsOfJob(sheet, alone, 'found').half).toBe('notWitnessed')
  })
  test('the worst of several stretches of chain counts', () => {
    const sheet = twinCam({})
    const loops = sheet.loops.map((loop) => ({ ...loop, pitchMm: known(10) }))
    const length = (measuredMm: number): NewEntry => ({
      kind: 'chainLength',
      loopId: loops[0]?.id ?? '',
      overPitches: 10,
      measuredMm,
    })
    const full = { ...sheet, loops }
    const readings = readingsOfJob(full, stateOf(full, length(100.2), length(100.9), length(100.5)), 'found')
    expect(Object.values(readings.elongation ?? {}).map(({ value }) => value)).toEqual([expect.closeTo(0.9, 9)])
  })
  test('top lift as found against the book, the height of the head, each the last that was said', () => {
    const sheet = twinCam()
    const top = (liftMm: number): NewEntry => ({ kind: 'topLift', camId: 'cam-1-inlet', phase: 'found', liftMm })
    const head = (lowerMm: number): NewEntry => ({ kind: 'headHeight', lowerMm })
    const state = stateOf(sheet, events('inlet', 0), events('exhaust', 0), top(8), head(1), top(8.6), head(0.4))
    const readings = readingsOfJob(sheet, state, 'left')
    expect(readings.lobes).toEqual([])
    const found = readingsOfJob(sheet, state, 'found')
    expect(found.lobes.find(({ camId }) => camId === 'cam-1-inlet')?.topLiftOverMm).toBeCloseTo(-0.4, 9)
    expect(found.lobes.find(({ camId }) => camId === 'cam-1-exhaust')?.topLiftOverMm).toBeUndefined()
    expect(Object.values(found.skimmed ?? {}).map(({ value }) => value)).toEqual([0.4])
  })
  test('nothing read is nothing to say', () => {
    const sheet = twinCam()
    expect(readingsOfJob(sheet, stateOf(sheet), 'found').lobes).toEqual([])
    expect(moveProblemOf(sheet, stateOf(sheet), 'found')).toBeUndefined()
  })
})

describe('from the ledger to the move', () => {
  const hubbed = twinCam({
    adjusters: ['inlet', 'exhaust'].map((valve) => ({
      id: `hub-${valve}`,
      kind: 'hub' as const,
      memberId: `${valve}-sprocket`,
      positions: 17,
    })),
  })
  test('4° late on both and a tooth on one: hubs and the tooth, set from the crank outwards', () => {
    const problem = moveProblemOf(hubbed, stateOf(hubbed, events('inlet', 22), events('exhaust', 4)), 'found')
    if (!problem) throw new Error('no problem')
    expect(problem.cams.map(({ id }) => id)).toEqual(['inlet-cam', 'exhaust-cam'])
    const [best] = runSearch(problem).nearest
    for (const { leftoverDeg } of best?.cams ?? [])
      expect(Math.abs(leftoverDeg)).toBeLessThanOrEqual(18 / 17 / 2 + 0.02)
  })
  test('a target of one’s own is what it is set to', () => {
    const target: NewEntry = { kind: 'target', shaftId: 'inlet-cam', latenessDeg: -2, reason: 'runs better' }
    const problem = moveProblemOf(hubbed, stateOf(hubbed, events('inlet', 1), target), 'found')
    expect(problem?.cams[0]?.latenessDeg).toBeCloseTo(3, 1)
  })
  // Handbook 9: an offset key of d on a shaft of diameter D turns it by asin(2d/D); 0.5 on 25 is 2.2924°, independently computed.
  test('offset keys either way round, keyways of the crank for all cams', () => {
    expect(offsetKeyDeg(0.5, 25)).toBeCloseTo(2.2924, 3)
    const keyed = twinCam({
      adjusters: [
        { id: 'keys', kind: 'offsetKey', memberId: 'inlet-sprocket', keysMm: [0.5], shaftMm: 25 },
        { id: 'crank', kind: 'keyway', memberId: 'crank-sprocket', anglesDeg: [-6, 6] },
        { id: 'slots', kind: 'slots', memberId: 'exhaust-sprocket', rangeDeg: 3 },
      ],
    })
    const problem = moveProblemOf(keyed, stateOf(keyed, events('inlet', 1), events('exhaust', 1)), 'found')
    expect(problem?.shared).toMatchObject([
      { mover: { id: 'tooth chain crank-sprocket' } },
      { mover: { id: 'adjuster crank' }, camIds: ['exhaust-cam', 'inlet-cam'] },
    ])
    const inlet = problem?.cams[0]?.movers.find(({ id }) => id === 'adjuster keys')
    expect(inlet?.by).toMatchObject({
      kind: 'choices',
      laterDeg: [0, expect.closeTo(4.585, 2), expect.closeTo(-4.585, 2)],
    })
    expect(problem?.cams[1]?.movers.find(({ id }) => id === 'adjuster slots')?.by).toEqual({
      kind: 'range',
      mostDeg: 6,
    })
  })
})
