import { describe, expect, test } from 'vitest'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { ringOfCams } from '../testing/ringOfCams'
import { sheetWith } from '../testing/threeMembers'
import { layOut, loopKinds, readDrive, solveLoop, sprocketRadiusMm, type LoopLayout } from '.'

/** Two sprockets side by side and a chain: nothing else of an engine. */
const plain = (apartMm: number, pitches?: number): LoopLayout => ({
  loopId: 'chain',
  members: [20, 40].map((teeth, i) => ({
    memberId: `s${teeth}`,
    kind: 'sprocket',
    driven: i === 1,
    teeth,
    radiusMm: sprocketRadiusMm(9.525, teeth),
    centre: { x: 0, y: i * apartMm },
    side: -1,
  })),
  pitchMm: 9.525,
  pitches,
  drawn: 'toScale',
  gaps: [],
  inside: -1,
  driverId: 's20',
  slackAfter: undefined,
  floating: undefined,
})

describe('a loop from a plain layout', () => {
  // Independently computed: 20/40 of 9.525 at 150 mm need 62.1417 pitches by tangents.
  test('not counted, it is the next even number over what the path needs', () => {
    const solved = solveLoop(plain(150))
    expect(solved).toMatchObject({ ok: true, value: { pitches: 64, driverId: 's20' } })
    if (solved.ok) expect(solved.value.slackPitches).toBeCloseTo(64 - 62.1417, 3)
  })
  test('counted too short it says by how much, and with more slack than nothing takes up too long', () => {
    const short = solveLoop(plain(150, 62))
    expect(short).toMatchObject({ ok: false, error: { code: 'loopTooShort' } })
    if (!short.ok && short.error.code === 'loopTooShort') expect(short.error.needsPitches).toBeCloseTo(62.1417, 3)
    expect(solveLoop(plain(150, 66))).toMatchObject({ ok: false, error: { code: 'loopTooLong' } })
  })
  test('what overlaps is said, and one sprocket is no loop', () => {
    expect(solveLoop(plain(20))).toMatchObject({ ok: false, error: { code: 'membersTooClose' } })
    expect(solveLoop({ ...plain(150), members: [] })).toMatchObject({ ok: false, error: { code: 'tooFewMembers' } })
  })
  test('the run that leaves the driver is slack, the one that comes back is pulled', () => {
    const solved = solveLoop(plain(150, 64))
    expect(solved.ok && solved.value.runs.map(({ kind }) => kind)).toEqual(['slack', 'tight'])
  })
})

describe('the drive of a sheet', () => {
  const sheet = sheetWith({})
  const [loop] = sheet.loops
  if (!loop) throw new Error('no loop')
  test('asked again it is the same value, and its loops are solved once', () => {
    const drive = readDrive(sheet)
    expect(readDrive(sheet)).toBe(drive)
    expect(drive.solved(loop)).toBe(drive.solved(loop))
    expect(drive.sections(loop)).toBe(drive.sections(loop))
  })
  test('of a changed sheet it is another, and says what the change does', () => {
    const changed = { ...sheet, loops: [{ ...loop, pitches: { value: 68, typed: '68', trust: 'measured' as const } }] }
    expect(readDrive(changed)).not.toBe(readDrive(sheet))
    expect(readDrive(changed).solved(changed.loops[0] as typeof loop)).toMatchObject({
      error: { code: 'loopTooShort' },
    })
    expect(readDrive(sheet).lies(loop)?.pitches).toBe(70)
  })
  test('it is what solving step by step gives', () => {
    for (const one of [sheet, ringOfCams(4, 'toothedBelt'), ringOfCams(2, 'rollerChain')])
      for (const own of one.loops) {
        const layout = layOut(one, own)
        expect(readDrive(one).solved(own)).toEqual(layout.ok ? solveLoop(layout.value) : layout)
      }
  })
  test('a shaft that nothing drives keeps the ratio of its sheet', () => {
    const bare = sheetWithDrive('twinCam', {})
    const [crank] = bare.shafts
    const cam = bare.shafts.find(({ kind }) => kind === 'cam')
    if (!crank || !cam) throw new Error('no shafts')
    expect(readDrive(bare).ratioOf(cam)).toEqual(cam.ratio)
    expect(readDrive(bare).undriven).toContain(cam.id)
  })
})

test('a belt lies on its pitch line, a chain on its pins; neither is longer on more teeth than it has', () => {
  // Source: ISO 606 for the chain, pitch times teeth over pi for the belt, from memory.
  expect(loopKinds.rollerChain.radiusMm(9.525, 17) / 9.525).toBeCloseTo(5.4422 / 2, 4)
  expect(loopKinds.toothedBelt.radiusMm(9.525, 20) * 2 * Math.PI).toBeCloseTo(190.5, 6)
  expect(loopKinds.invertedToothChain.runsOn).toBe('sprocket')
})
