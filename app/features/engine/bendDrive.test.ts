import { expect, test } from 'vitest'
import { readDrive } from '@link-count/core/drive'
import { buildSheetSchema, type BuildSheet, type Loop } from '@link-count/core/model'
import { beginSheet, TOPOLOGIES } from '@link-count/core/starters'
import {
  addCoupling,
  addGearOn,
  addHub,
  addLoop,
  addShaftOn,
  addMemberOn,
  removeLoop,
  removeMember,
  removeShaft,
} from './bendDrive'

const begin = (drive: (typeof TOPOLOGIES)[number]) =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-05T08:00:00.000Z',
    cylinders: 4,
    layout: 'vee',
    drive,
    guide: false,
    tensioner: false,
  })

test.each(TOPOLOGIES)('%s passes the schema, empty of figures, and points only at what it holds', (topology) => {
  const sheet = begin(topology)
  expect(() => buildSheetSchema.parse(sheet)).not.toThrow()
  expect(sheet.members.every(({ teeth, radiusMm }) => !teeth && !radiusMm)).toBe(true)
  holds(sheet)
})

/** Every id that points at a part finds one. */
function holds(sheet: BuildSheet) {
  const members = new Set(sheet.members.map(({ id }) => id))
  const shafts = new Set(sheet.shafts.map(({ id }) => id))
  for (const { path } of sheet.loops) for (const { memberId } of path) expect(members).toContain(memberId)
  for (const { shaftId } of sheet.members) if (shaftId) expect(shafts).toContain(shaftId)
  for (const { memberId } of sheet.marks) expect(members).toContain(memberId)
  for (const { shaftId } of sheet.cams) expect(shafts).toContain(shaftId)
  for (const { kind, fromId, toId } of sheet.couplings) {
    for (const id of [fromId, toId]) expect(kind === 'gearMesh' ? members : shafts).toContain(id)
  }
}

test('a shaft put on a loop comes with wheel and mark, and goes with all of it', () => {
  const before = begin('beltWithPump')
  const more = addShaftOn(before.loops[0] as Loop)(before)
  expect(more.loops[0]?.path).toHaveLength((before.loops[0]?.path.length ?? 0) + 1)
  expect(more.marks).toHaveLength(before.marks.length + 1)
  holds(more)
  const added = more.shafts.at(-1)?.id ?? ''
  const less = removeShaft(added)(more)
  expect(less).toEqual(before)
})

test('a gear put in mesh is driven, the other way round', () => {
  const teeth = (sheet: BuildSheet): BuildSheet => ({
    ...sheet,
    members: sheet.members.map((member) => ({
      ...member,
      teeth: { value: 20, typed: '20', trust: 'measured' as const },
    })),
  })
  const sheet = teeth(addGearOn('cam-gear')(begin('gearsOnly')))
  holds(sheet)
  expect(readDrive(sheet).ratios[sheet.shafts.at(-1)?.id ?? '']).toEqual({ num: -1, den: 1 })
})

test('taking a camshaft off takes its lobes and frees what was placed from it', () => {
  const before = begin('twoBelts')
  const leaning: BuildSheet = {
    ...before,
    shafts: before.shafts.map((shaft) =>
      shaft.id === 'cam-b' ? { ...shaft, position: { how: 'polar', fromShaftId: 'cam-a' } } : shaft,
    ),
  }
  const after = removeShaft('cam-a')(leaning)
  holds(after)
  expect(after.cams.every(({ shaftId }) => shaftId === 'cam-b')).toBe(true)
  expect(after.shafts.find(({ id }) => id === 'cam-b')?.position).toEqual({ how: 'polar', fromShaftId: 'crank' })
})

test('a chain put between two shafts has a wheel and a mark on each, and goes with them; the shafts stay', () => {
  const before = begin('gearsOnly')
  const after = addLoop('rollerChain', 'idle', 'camshaft')(before)
  expect(() => buildSheetSchema.parse(after)).not.toThrow()
  holds(after)
  const [loop] = after.loops
  expect(loop?.path).toHaveLength(2)
  expect(after.marks.length).toBe(before.marks.length + 2)
  const second = addLoop('toothedBelt', 'crank', 'idle')(after)
  expect(second.loops.map(({ name }) => name)).toEqual(['Chain', 'Belt'])
  expect(second.members.at(-1)?.kind).toBe('pulley')
  const three = addMemberOn(loop as Loop, 'crank')(after)
  expect(three.loops[0]?.path).toHaveLength(3)
  expect(removeLoop(loop?.id ?? '')(after)).toEqual(before)
})

test('a shaft is joined by splines and carries a mark on its end', () => {
  const before = begin('twinCam')
  const shafts = [...before.shafts, { id: 'pump', name: 'Pump', kind: 'pump' as const, ratio: { num: 1, den: 2 } }]
  const after = addHub('pump')(addCoupling('spline', 'inlet-cam', 'pump')({ ...before, shafts }))
  expect(() => buildSheetSchema.parse(after)).not.toThrow()
  holds(after)
  expect(after.marks.at(-1)?.name).toBe('Pump end mark')
  expect(removeShaft('pump')(after)).toEqual(before)
})

test('a member taken off leaves no mark, count or place of it behind', () => {
  const after = removeMember('exhaust-sprocket')(begin('twinCam'))
  holds(after)
  expect(after.marks.some(({ memberId }) => memberId === 'exhaust-sprocket')).toBe(false)
})
