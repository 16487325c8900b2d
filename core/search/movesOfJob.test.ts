import { describe, expect, test } from 'vitest'
import { readDrive } from '../drive'
import type { BuildSheet } from '../model'
import { TOPOLOGIES } from '../starters'
import { stateAfter } from '../testing/oneChain'
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
})

describe('gears in mesh', () => {
  const gears = sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
  const meshAt = (sheet: BuildSheet, gear: string) => sheet.couplings.find(({ toId }) => toId === gear)?.id ?? ''

  // Independently computed: a tooth of 40 at half speed is 18° of the crank, and so is one of 33 over a plain idler (360/33 at 20/33).
  test('a tooth late over a plain idler: one tooth, at either of its meshes', () => {
    expect(readDrive(gears).undriven).toEqual([])
    const best = bestOf(gears, { camshaft: 18.5 })
    expect(best?.cams[0]).toMatchObject({ leftoverDeg: expect.closeTo(0.5, 9), moves: [{ amount: -1 }] })
    expect(best?.cams[0]?.moves[0]?.laterDeg).toBeCloseTo(-18, 9)
    for (const gear of ['idle-gear', 'cam-gear'])
      expect(idsOf(gears, { camshaft: 9 }).own['camshaft']).toContain(`coupling ${meshAt(gears, gear)}`)
  })
  // 24 to 36, then 27 to 36 on one shaft: 15° and 20° a tooth; 5° is one on there and one back here.
  test('a compound idler: the two meshes are worth 15° and 20°, together every 5°', () => {
    const compound: BuildSheet = {
      ...sheetWithDrive('gearsOnly', { pinion: 24, 'idle-gear': 36, 'cam-gear': 36 }),
    }
    const [large] = compound.members.filter(({ id }) => id === 'idle-gear')
    if (!large) throw new Error('Broken invariant: a train without its idler')
    const small = { ...large, id: 'idle-small', name: 'Small idler gear' }
    const sheet: BuildSheet = {
      ...compound,
      members: [...compound.members, { ...small, teeth: { value: 27, typed: '27', trust: 'measured' } }],
      couplings: compound.couplings.map((one) => (one.fromId === 'idle-gear' ? { ...one, fromId: 'idle-small' } : one)),
    }
    expect(readDrive(sheet).ratios['camshaft']).toEqual({ num: 1, den: 2 })
    const [set] = bestOf(sheet, { camshaft: 5 })?.cams ?? []
    expect(set?.leftoverDeg).toBeCloseTo(0, 9)
    expect(set?.moves.map(({ moverId, amount }) => [moverId, amount]).sort()).toEqual(
      [
        [`coupling ${meshAt(sheet, 'idle-gear')}`, 1],
        [`coupling ${meshAt(sheet, 'cam-gear')}`, -1],
      ].sort(),
    )
  })
  test('a gear, then a chain: the mesh moves the camshaft as well, and a count of the chain says nothing of it', () => {
    const sheet = sheetWithDrive('gearThenChain', {
      pinion: 24,
      'half-gear': 48,
      'half-sprocket': 21,
      'cam-sprocket': 21,
    })
    const own = idsOf(sheet, { camshaft: 15 }).own['camshaft'] ?? []
    expect(own).toContain(`coupling ${meshAt(sheet, 'half-gear')}`)
    expect(bestOf(sheet, { camshaft: 15 })?.cams[0]).toMatchObject({
      leftoverDeg: 0,
      moves: [{ moverId: `coupling ${meshAt(sheet, 'half-gear')}`, amount: -1 }],
    })
    const counted = countedFrom('chain', 'cam-sprocket', 'half-sprocket', 30)
    const before = stateAfter([counted], sheet)
    expect(before.timing['camshaft']?.found).toBeUndefined()
    const mesh = { kind: 'meshCount', couplingId: meshAt(sheet, 'half-gear'), phase: 'found', teeth: 1 } as const
    expect(stateAfter([counted, mesh], sheet).timing['camshaft']?.found?.latenessDeg).toBeCloseTo(15, 9)
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
