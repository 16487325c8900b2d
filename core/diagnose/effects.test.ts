import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../model'
import { sheetWithDrive, stagedTeeth } from '../testing/sheetWithDrive'
import { effectsOn, type PerPart } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const at = (xMm: number, yMm: number) => ({ how: 'xy' as const, xMm: known(xMm), yMm: known(yMm) })
const placed = (sheet: BuildSheet, places: Record<string, readonly [number, number]>): BuildSheet => ({
  ...sheet,
  members: sheet.members.map((one) => (one.kind === 'tensioner' ? { ...one, radiusMm: known(60) } : one)),
  loops: sheet.loops.map((loop) => ({ ...loop, pitchMm: known(9.525) })),
  shafts: sheet.shafts.map((shaft) => {
    const place = places[shaft.id]
    return place ? { ...shaft, position: at(...place) } : shaft
  }),
})

const all = (per: PerPart | undefined) => Object.values(per ?? {}).reduce((sum, each) => sum + each, 0)

/* Handbook 10, independently computed: 0.5% over a run of 157.113 mm on 40 teeth of 9.525 (r 60.700) is 0.7415° of the cam, 1.483° of the crank at
 * 1/2; 0.5 mm off the head 0.94° of the crank. Between 20 and 40 teeth a run of 157.113 mm lies at centres of 159.999 mm. */
describe('one chain, one camshaft', () => {
  const base = sheetWithDrive('gearThenChain', {})
  const sheet = placed(
    {
      ...base,
      shafts: [
        ...base.shafts.filter(({ kind }) => kind === 'crank'),
        { id: 'cam', name: 'Cam', kind: 'cam', ratio: { num: 1, den: 2 } },
      ],
      members: [
        { id: 'small', name: 'Small', kind: 'sprocket', shaftId: 'crank', teeth: known(20) },
        { id: 'large', name: 'Large', kind: 'sprocket', shaftId: 'cam', teeth: known(40) },
      ],
      loops: [
        {
          id: 'chain',
          name: 'Chain',
          kind: 'rollerChain',
          path: [
            { memberId: 'small', passed: 'inside' },
            { memberId: 'large', passed: 'inside' },
          ],
        },
      ],
      cams: base.cams.map((cam) => ({ ...cam, shaftId: 'cam' })),
      couplings: [],
      marks: [],
      counts: [],
    },
    { cam: [0, 159.999] },
  )
  const { toothDeg, perStretch, perSkim, perSlack } = effectsOn(sheet, 'cam')
  test('what a tooth, stretch, a skimmed head and slack are worth', () => {
    expect(toothDeg).toBeCloseTo(18, 9)
    expect(all(perStretch) * 0.5).toBeCloseTo(1.483, 2)
    // Straight down the line of centres the run shortens by its cosine, 157.113 / 159.999, and slack by all of itself.
    expect(all(perSkim) / all(perSlack)).toBeCloseTo(157.113 / 159.999, 2)
  })
  // Handbook 10: 0.5 mm down the bore, the cam wheel straight above and aside.
  test.each([
    [0, 250, 0.937, 0.937],
    [100, 250, 0.831, 0.91],
    [200, 200, 0.592, 0.735],
    [150, 150, 0.565, 0.755],
  ])('a skim with the camshaft at (%i, %i): %d° running clockwise, %d° anticlockwise', (x, y, clockwise, back) => {
    const at = placed(sheet, { cam: [x, y] })
    const other = { ...at, running: { value: 'anticlockwise', typed: '', trust: 'measured' } } as BuildSheet
    expect(all(effectsOn(at, 'cam').perSkim) * 0.5).toBeCloseTo(clockwise, 2)
    expect(all(effectsOn(other, 'cam').perSkim) * 0.5).toBeCloseTo(back, 2)
  })
  // Handbook 7: crank 19, plain shoe r 62 on the other side, cam 38: runs of 87.354 and 63.580 mm and 23.690° over the shoe lie on the pulled side
  // when it runs anticlockwise. Independently computed: 1% of 176.570 mm on r 57.672 is 1.754° of the cam, 3.508° of the crank.
  test('the arc over a plain shoe on the pulled run stretches as well', () => {
    const shoe: BuildSheet = {
      ...sheet,
      running: { value: 'anticlockwise', typed: '', trust: 'measured' },
      members: [
        ...sheet.members.map((one) => ({ ...one, teeth: known(one.id === 'small' ? 19 : 38) })),
        { id: 'shoe', name: 'Shoe', kind: 'guide', radiusMm: known(62), position: at(-81, 96.6373) },
      ],
      loops: sheet.loops.map((loop) => ({
        ...loop,
        pitches: known(70),
        path: [
          { memberId: 'small', passed: 'inside' as const },
          { memberId: 'large', passed: 'inside' as const },
          { memberId: 'shoe', passed: 'outside' as const },
        ],
      })),
    }
    expect(all(effectsOn(placed(shoe, { cam: [14, 193.2746] }), 'cam').perStretch)).toBeCloseTo(3.508, 2)
  })
  test('which way it runs changes nothing: one run is pulled either way', () => {
    const back = { ...sheet, running: { value: 'anticlockwise', typed: '', trust: 'measured' } } as BuildSheet
    expect(all(effectsOn(back, 'cam').perStretch)).toBeCloseTo(all(perStretch), 6)
  })
  test('with counts alone the tooth is known and nothing else is made up', () => {
    const counts = { ...sheet, shafts: sheet.shafts.map(({ position: _gone, ...rest }) => rest) } as BuildSheet
    expect(effectsOn(counts, 'cam')).toEqual({ toothDeg: 18, crankWheelId: 'small', canSlip: false })
  })
})

describe('more than one wheel behind the driver', () => {
  const twin = placed(
    sheetWithDrive('twinCam', { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 }),
    {
      'exhaust-cam': [-70, 300],
      'inlet-cam': [70, 300],
    },
  )
  test('the camshaft further along the pulled runs lags by the more, by the chain that lies between and no more', () => {
    const [exhaust, inlet] = [effectsOn(twin, 'exhaust-cam'), effectsOn(twin, 'inlet-cam')]
    // Running clockwise the inlet's run is pulled straight to the crank; the exhaust's passes over the inlet: 140 mm of it besides.
    expect(all(exhaust.perStretch)).toBeGreaterThan(all(inlet.perStretch))
    const perMm = all(inlet.perSlack)
    expect((all(exhaust.perStretch) - all(inlet.perStretch)) / perMm).toBeCloseTo(1.4, 2)
    expect(inlet.toothDeg).toBeCloseTo(18, 9)
  })
  test('two stages add up at the crank', () => {
    const staged = placed(sheetWithDrive('twoStage', stagedTeeth), {
      middle: [0, 120],
      'exhaust-cam': [-60, 330],
      'inlet-cam': [60, 330],
    })
    const [middle, inlet] = [effectsOn(staged, 'middle'), effectsOn(staged, 'inlet-cam')]
    // The lower chain alone, as a chain of its own; its lateness comes through to every camshaft whole.
    expect(Object.keys(inlet.perStretch ?? {})).toEqual(['lower', 'upper'])
    expect(inlet.perStretch?.['lower']).toBeCloseTo(all(middle.perStretch), 9)
    expect(all(middle.perStretch)).toBeGreaterThan(0)
    expect(inlet.toothDeg).toBeCloseTo(36, 9)
  })
  test('a camshaft between two banks stands in the block: no head brings it nearer', () => {
    const vee = sheetWithDrive('twinCam', { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 })
    const banks = vee.cylinders.map((cylinder, i) => ({ ...cylinder, bankId: `bank-${i}` }))
    const between = placed({ ...vee, cylinders: banks }, { 'exhaust-cam': [-70, 300], 'inlet-cam': [70, 300] })
    expect(effectsOn(between, 'inlet-cam').perSkim).toBeUndefined()
    expect(Object.keys(effectsOn(between, 'inlet-cam').perStretch ?? {})).toEqual(['chain'])
  })
  test('gears have teeth of their own, mesh by mesh, and nothing that stretches', () => {
    const gears = sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
    const effects = effectsOn(gears, 'camshaft')
    expect(Object.values(effects.perMeshTooth ?? {}).map((deg) => Math.round(deg * 1e6) / 1e6)).toEqual([18, 18])
    expect([effects.toothDeg, effects.perStretch, effects.perSkim, effects.perSlack]).toEqual(Array(4).fill(undefined))
  })
})
