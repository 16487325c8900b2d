import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry } from '../model'
import { countedFrom, sheetWithDrive, stagedTeeth } from '../testing/sheetWithDrive'
import { degreeWheel, stateAfter, stops } from '../testing/oneChain'
import { proofOfLoop, verdictOfCount } from '.'

const staged = sheetWithDrive('twoStage', stagedTeeth)
const lower = (n: number) => countedFrom('lower', 'middle-large', 'crank-sprocket', n)
const inlet = (n: number) => countedFrom('upper', 'inlet-sprocket', 'middle-small', n)
const exhaust = (n: number) => countedFrom('upper', 'exhaust-sprocket', 'inlet-sprocket', n)
const timingOf = (shaftId: string, sheet: BuildSheet, ...newEntries: NewEntry[]) =>
  stateAfter([degreeWheel, stops(340, 30), ...newEntries], sheet).timing[shaftId]?.found

describe('a camshaft by the counts of every loop on its way', () => {
  // A tooth below is 360/19 = 18.947° of the crank, one above 720/20 = 36°, independently computed.
  test('latenesses of the stages add up', () => {
    expect(timingOf('inlet-cam', staged, lower(31), inlet(30))?.latenessDeg).toBeCloseTo(360 / 19, 6)
    expect(timingOf('inlet-cam', staged, lower(31), inlet(29))?.latenessDeg).toBeCloseTo(360 / 19 - 36, 6)
    expect(timingOf('exhaust-cam', staged, lower(30), inlet(31), exhaust(29))?.latenessDeg).toBeCloseTo(0, 6)
  })
  test('a loop on the way that was not counted leaves it unsaid', () => {
    expect(timingOf('inlet-cam', staged, inlet(30))).toBeUndefined()
    expect(timingOf('inlet-cam', staged, lower(30))).toBeUndefined()
    expect(timingOf('exhaust-cam', staged, lower(30), inlet(30))).toBeUndefined()
  })
  test('a count cannot see stretch: it is a witness of the tooth, and a sharper reading is the figure', () => {
    const gauge: NewEntry = {
      kind: 'camGauge',
      shaftId: 'inlet-cam',
      phase: 'found',
      offMm: 1,
      radiusMm: 30,
      what: 'pin',
    }
    const alone = timingOf('inlet-cam', staged, gauge)
    const both = timingOf('inlet-cam', staged, gauge, lower(30), inlet(30))
    // 1 mm at 30 mm is 1.910° of the cam, 3.82° of the crank.
    expect(alone?.latenessDeg).toBeCloseTo(3.82, 2)
    expect(both?.latenessDeg).toBeCloseTo(alone?.latenessDeg ?? NaN, 9)
    expect([alone?.proved, both?.proved]).toEqual([false, true])
    const apart = timingOf('inlet-cam', staged, gauge, lower(30), inlet(28))
    expect(apart).toMatchObject({ proved: false, misfits: [{ offDeg: expect.closeTo(-72 - 3.82, 1) }] })
  })
  test('no count sees in which place a coupling was put together', () => {
    const splined = sheetWithDrive('splinedBanks', { 'crank-sprocket': 20, 'half-sprocket': 40 })
    const count = countedFrom('chain', 'half-sprocket', 'crank-sprocket', 30)
    expect(timingOf('cam-a', splined, count)).toBeUndefined()
  })
})

test('read with the reversing gear astern it is kept, and no lateness; ahead it is, as if nothing were said', () => {
  const gauge = (...conditions: ('gearAhead' | 'gearAstern')[]): NewEntry => ({
    kind: 'camGauge',
    shaftId: 'inlet-cam',
    phase: 'found',
    offMm: 1,
    radiusMm: 30,
    what: 'pin',
    conditions,
  })
  expect(timingOf('inlet-cam', staged, gauge('gearAstern'))).toBeUndefined()
  expect(timingOf('inlet-cam', staged, gauge('gearAhead'))?.latenessDeg).toBeCloseTo(3.82, 2)
  expect(stateAfter([gauge('gearAstern')], staged).camReads).toHaveLength(1)
})

describe('one count against the sheet', () => {
  const verdict = (newEntry: NewEntry) => (newEntry.kind === 'count' ? verdictOfCount(staged, newEntry) : undefined)
  test('over is late, short is early, at what the tooth is worth there', () => {
    expect(verdict(lower(31))).toMatchObject({ pitchesOut: 1, layTeeth: -1, latenessDeg: expect.closeTo(18.947, 3) })
    expect(verdict(inlet(29))).toMatchObject({ pitchesOut: -1, layTeeth: 1, latenessDeg: -36 })
  })
  test('nothing is said of a section or a loop that the sheet does not have', () => {
    expect(verdict({ ...lower(30), loopId: 'nowhere' } as NewEntry)).toBeUndefined()
    expect(verdict({ ...lower(30), fromMarkId: 'nowhere' } as NewEntry)).toBeUndefined()
    const bare = { ...staged, counts: [] }
    expect(verdictOfCount(bare, lower(30) as never)).toBeUndefined()
  })
})

describe('what counts prove of a loop', () => {
  const upper = staged.loops.find(({ id }) => id === 'upper')
  const proof = (...newEntries: NewEntry[]) => {
    if (!upper) throw new Error('no loop')
    const set = newEntries.map((newEntry) => ({ ...newEntry, phase: 'set' as const }) as NewEntry)
    return proofOfLoop(staged, upper, stateAfter(set, staged).counts)
  }
  test('every wheel reached and none a tooth out; one out; one not reached', () => {
    expect(proof(inlet(30), exhaust(30))).toBe('counted')
    expect(proof(inlet(30), exhaust(31))).toBe('countedOut')
    expect(proof(inlet(30))).toBe('notCounted')
    expect(proof()).toBe('notCounted')
  })
  test('of two counts of one section the later is the one that holds', () => {
    expect(proof(inlet(31), exhaust(30), inlet(30))).toBe('counted')
    expect(proof(inlet(30), exhaust(30), inlet(31))).toBe('countedOut')
  })
})

test('a hub on the sprocket that drives the upper chain wants what it drives elsewhere, one on a driven sprocket that one', () => {
  const hubs: BuildSheet = {
    ...staged,
    adjusters: ['middle-small', 'inlet-sprocket'].map((memberId) => ({
      id: memberId,
      kind: 'hub',
      memberId,
      positions: 20,
    })),
  }
  const later = (adjusterId: string, deg: number): NewEntry => ({
    kind: 'adjusted',
    adjusterId,
    words: 'hub',
    laterDeg: deg,
  })
  const setCounts = [inlet, exhaust].map(
    (count) =>
      (n: number): NewEntry =>
        ({ ...count(n), phase: 'set' }) as NewEntry,
  )
  const [inletSet, exhaustSet] = setCounts
  const proof = (adjusterId: string, inletCount: number, exhaustCount: number) =>
    stateAfter(
      [later(adjusterId, 72), inletSet?.(inletCount), exhaustSet?.(exhaustCount)].flatMap((one) => one ?? []),
      hubs,
    ).loops['upper']?.proof
  // 72° later are two teeth of 36°: both camshafts are then right two teeth early, or the one with the hub by itself.
  expect(proof('middle-small', 28, 30)).toBe('counted')
  expect(proof('middle-small', 30, 30)).toBe('countedOut')
  expect(proof('inlet-sprocket', 28, 32)).toBe('counted')
  expect(proof('inlet-sprocket', 28, 30)).toBe('countedOut')
})
