import { describe, expect, test } from 'vitest'
import { readDrive } from '../drive'
import { beginSheet, NEEDS_TWO_BANKS, TOPOLOGIES } from '../starters'
import { AS_MARKED } from './scene'
import { makeDriveScene } from './driveScene'
import { asDrawable } from './standIns'

const begun = (drive: (typeof TOPOLOGIES)[number] | 'oneChain', cycleDeg: 360 | 720 = 720) =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 4,
    layout: NEEDS_TWO_BANKS.includes(drive as never) ? 'vee' : 'inLine',
    cycleDeg,
    drive,
    guide: true,
    tensioner: true,
  })

describe('every shape without a figure', () => {
  const shapes = (['oneChain', ...TOPOLOGIES] as const).flatMap((drive) => [
    { drive, cycleDeg: 720 as const },
    { drive, cycleDeg: 360 as const },
  ])
  test.each(shapes)('$drive, $cycleDeg°: drawn whole, no two shafts on one spot, ratios as they should be', (shape) => {
    const sheet = begun(shape.drive, shape.cycleDeg)
    const drawn = asDrawable(sheet)
    const scene = makeDriveScene(drawn.sheet, AS_MARKED)
    expect(scene.errors).toEqual([])
    const toothed = sheet.members.filter(({ shaftId, kind }) => shaftId && kind !== 'hub')
    expect(scene.toothed.map(({ memberId }) => memberId).sort()).toEqual(toothed.map(({ id }) => id).sort())
    expect([...drawn.standIns].sort()).toEqual(toothed.map(({ id }) => id).sort())
    expect(readDrive(drawn.sheet).wrong).toEqual([])
    const shaftOf = (id: string) => sheet.members.find((one) => one.id === id)?.shaftId
    for (const a of scene.toothed)
      for (const b of scene.toothed) {
        const apart = Math.hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y)
        if (shaftOf(a.memberId) === shaftOf(b.memberId)) expect(apart).toBeLessThan(1e-6)
        else expect(apart).toBeGreaterThan(Math.max(a.radiusMm, b.radiusMm))
      }
  })
})

test('a tooth count that is known settles the others on its chain, and stays', () => {
  const sheet = begun('twinCam')
  const counted = {
    ...sheet,
    members: sheet.members.map((one) =>
      one.id === 'inlet-sprocket' ? { ...one, teeth: { value: 42, typed: '42', trust: 'measured' as const } } : one,
    ),
  }
  const { sheet: drawn, standIns } = asDrawable(counted)
  expect(drawn.members.map(({ id, teeth }) => [id, teeth?.value])).toEqual([
    ['crank-sprocket', 21],
    ['tensioner', undefined],
    ['exhaust-sprocket', 42],
    ['inlet-sprocket', 42],
  ])
  expect([...standIns].sort()).toEqual(['crank-sprocket', 'exhaust-sprocket'])
})

test('a chain that is too short for its places is drawn all the same, and named', () => {
  const sheet = begun('oneChain')
  const value = <T>(of: T) => ({ value: of, typed: String(of), trust: 'measured' as const })
  const short = {
    ...sheet,
    shafts: sheet.shafts.map((one) =>
      one.id === 'camshaft'
        ? {
            ...one,
            position: {
              how: 'polar' as const,
              fromShaftId: 'crank',
              distanceMm: value(300),
              directionDeg: value(90),
            },
          }
        : one,
    ),
    loops: sheet.loops.map((one) => ({ ...one, pitchMm: value(9.525), pitches: value(40) })),
  }
  const drawn = asDrawable(short)
  expect([...drawn.bent]).toEqual(['chain'])
  expect(makeDriveScene(drawn.sheet, AS_MARKED)).toMatchObject({ errors: [], drawn: 'toScale' })
})
