import { describe, expect, test } from 'vitest'
import { readDrive } from '../drive'
import type { BuildSheet } from '../model'
import { TOPOLOGIES } from '../starters'
import { countedFrom, sheetWithDrive, readsLate, stagedTeeth } from '../testing/sheetWithDrive'
import { camshaftsToRead, loopsToCount, moveProblemOf, runSearch } from '.'

const twin = { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 }
const bestOf = (sheet: BuildSheet, late: Record<string, number>, newEntries: Parameters<typeof readsLate>[2] = []) => {
  const problem = moveProblemOf(sheet, readsLate(sheet, late, newEntries), 'found')
  return problem && runSearch(problem).nearest[0]
}
const idsOf = (sheet: BuildSheet, late: Record<string, number>, newEntries: Parameters<typeof readsLate>[2] = []) => {
  const problem = moveProblemOf(sheet, readsLate(sheet, late, newEntries), 'found')
  return {
    own: Object.fromEntries(problem?.cams.map(({ id, movers }) => [id, movers.map((mover) => mover.id)]) ?? []),
    shared: problem?.shared.map(({ mover, camIds }) => [mover.id, ...camIds]) ?? [],
  }
}

describe('one chain, two camshafts', () => {
  const sheet = sheetWithDrive('twinCam', twin)
  // Independently computed: one tooth of 40 at half speed is 720/40 = 18° of the crank, and so is one of 20 on the crank.
  test('both a tooth late: one tooth at the crank and not one at each camshaft', () =>
    expect(bestOf(sheet, { 'exhaust-cam': 18, 'inlet-cam': 18 })).toMatchObject({
      shared: [{ moverId: 'tooth chain crank-sprocket', amount: -1, laterDeg: -18 }],
      cams: [
        { moves: [], leftoverDeg: 0 },
        { moves: [], leftoverDeg: 0 },
      ],
    }))
  test('one a tooth late: its own tooth, the other left alone', () =>
    expect(bestOf(sheet, { 'exhaust-cam': 18, 'inlet-cam': 0 })).toMatchObject({
      shared: [],
      cams: [
        { id: 'inlet-cam', moves: [] },
        { id: 'exhaust-cam', moves: [{ moverId: 'tooth chain exhaust-sprocket', amount: -1 }] },
      ],
    }))
  test('with one of them not read the tooth at the crank is left out, and what to read is said', () => {
    expect(idsOf(sheet, { 'inlet-cam': 18 })).toEqual({
      own: { 'inlet-cam': ['tooth chain inlet-sprocket'] },
      shared: [],
    })
    const state = readsLate(sheet, { 'inlet-cam': 18 })
    expect(camshaftsToRead(sheet, state, 'found').map(({ id }) => id)).toEqual(['exhaust-cam'])
    expect(loopsToCount(sheet, state, 'found')).toEqual([])
  })
  test('a key at the crank moves both; slots at the crank are no way of setting cams', () => {
    const keyed = sheetWithDrive('twinCam', twin, {
      adjusters: [
        { id: 'key', kind: 'keyway', memberId: 'crank-sprocket', anglesDeg: [-4] },
        { id: 'slots', kind: 'slots', memberId: 'crank-sprocket', rangeDeg: 3 },
      ],
    })
    expect(bestOf(keyed, { 'exhaust-cam': 4, 'inlet-cam': 22 })).toMatchObject({
      shared: [{ moverId: 'adjuster key', laterDeg: -4 }],
      cams: [{ leftoverDeg: 0 }, { leftoverDeg: 0 }],
    })
    expect(idsOf(keyed, { 'exhaust-cam': 4, 'inlet-cam': 22 }).shared.map(([id]) => id)).not.toContain('adjuster slots')
  })
})

describe('two stages', () => {
  const sheet = sheetWithDrive('twoStage', stagedTeeth)
  const right = [
    countedFrom('lower', 'middle-large', 'crank-sprocket', 30),
    countedFrom('upper', 'inlet-sprocket', 'middle-small', 30),
    countedFrom('upper', 'exhaust-sprocket', 'inlet-sprocket', 30),
  ]
  test('a tooth of the lower chain is worth another angle: used only once everything is counted', () => {
    const late = { 'exhaust-cam': 360 / 19, 'inlet-cam': 360 / 19 }
    const before = readsLate(sheet, late)
    expect(loopsToCount(sheet, before, 'found').map(({ id }) => id)).toEqual(['lower', 'upper'])
    expect(idsOf(sheet, late).shared.map(([id]) => id)).toEqual(['tooth upper middle-small'])
    expect(loopsToCount(sheet, readsLate(sheet, late, right), 'found')).toEqual([])
    expect(bestOf(sheet, late, right)).toMatchObject({
      shared: [{ moverId: 'tooth lower crank-sprocket', amount: -1 }],
      cams: [
        { moves: [], leftoverDeg: expect.closeTo(0, 9) },
        { moves: [], leftoverDeg: expect.closeTo(0, 9) },
      ],
    })
  })
  // Independently computed: two teeth of 360/19 = 18.947° on below and one of 720/20 = 36° back above make 1.895° later.
  test('teeth of both stages laid against each other where that comes nearer', () => {
    const best = bestOf(sheet, { 'exhaust-cam': -1.9, 'inlet-cam': -1.9 }, right)
    expect(best?.cams.every(({ leftoverDeg }) => Math.abs(leftoverDeg) < 0.01)).toBe(true)
    expect(best?.shared).toMatchObject([
      { moverId: 'tooth lower crank-sprocket', amount: 2 },
      { moverId: 'tooth upper middle-small', amount: -1 },
    ])
  })
})

describe('what lies between', () => {
  test('a chain that turns both banks moves both; a spline its own', () => {
    const sheet = sheetWithDrive('splinedBanks', { 'crank-sprocket': 20, 'half-sprocket': 40 })
    const splined = {
      ...sheet,
      couplings: sheet.couplings.map((one) => ({
        ...one,
        positions: { value: 19, typed: '19', trust: 'measured' as const },
      })),
    }
    expect(idsOf(splined, { 'cam-a': 18, 'cam-b': 18 })).toEqual({
      own: { 'cam-a': ['coupling spline-middle-cam-a'], 'cam-b': ['coupling spline-middle-cam-b'] },
      shared: [['tooth chain half-sprocket', 'cam-a', 'cam-b']],
    })
    expect(bestOf(splined, { 'cam-a': 18, 'cam-b': 18 + 720 / 19 })).toMatchObject({
      shared: [{ moverId: 'tooth chain half-sprocket', amount: -1 }],
      cams: [{ leftoverDeg: 0 }, { moves: [{ amount: -1 }], leftoverDeg: 0 }],
    })
  })
  test('a hub on the shaft between moves every camshaft behind it', () => {
    const sheet = sheetWithDrive('twoStage', stagedTeeth, {
      adjusters: [{ id: 'hub', kind: 'hub', memberId: 'middle-large', positions: 36 }],
    })
    expect(idsOf(sheet, { 'exhaust-cam': 20, 'inlet-cam': 20 }).shared).toContainEqual([
      'adjuster hub',
      'exhaust-cam',
      'inlet-cam',
    ])
  })
  test('gears alone give nothing to move', () => {
    const sheet = sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
    expect(readDrive(sheet).undriven).toEqual([])
    expect(moveProblemOf(sheet, readsLate(sheet, { camshaft: 9 }), 'found')).toBeUndefined()
  })
})

test.each(TOPOLOGIES)('%s: a mover is named once, and with two camshafts or more it is shared', (drive) => {
  const sheet = sheetWithDrive(drive, Object.fromEntries(sheetWithDrive(drive, {}).members.map(({ id }) => [id, 24])))
  const cams = sheet.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => id)
  const { own, shared } = idsOf(sheet, Object.fromEntries(cams.map((id) => [id, 5])))
  const names = [...Object.values(own).flat(), ...shared.map(([id]) => id)]
  expect(new Set(names).size).toBe(names.length)
  for (const [, ...moved] of shared) expect(moved.length).toBeGreaterThan(1)
})
