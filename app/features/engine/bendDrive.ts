import type { BuildSheet, Loop, Mark, Member, Shaft } from '@link-count/core/model'
import type { SheetChange } from './sheetChanges'

const nextName = (names: readonly string[], base: string) => {
  let n = 2
  while (names.includes(`${base} ${n}`)) n++
  return names.includes(base) ? `${base} ${n}` : base
}

/** One more shaft, its wheel last on a loop's path, with a mark for the reference pose. */
export const addShaftOn =
  (loop: Loop): SheetChange =>
  (sheet) => {
    const id = crypto.randomUUID().slice(0, 8)
    const kind: Member['kind'] = loop.kind === 'toothedBelt' ? 'pulley' : 'sprocket'
    const names = sheet.shafts.map(({ name }) => name)
    const shaft = newShaft(`shaft-${id}`, nextName(names, 'Pump shaft'))
    const wheel: Member = { id: `wheel-${id}`, name: `${shaft.name} ${kind}`, kind, shaftId: shaft.id }
    const mark: Mark = {
      id: `mark-${id}`,
      name: `${wheel.name} mark`,
      memberId: wheel.id,
      halfTeeth: 0,
      cutFor: 'pose',
      meets: '',
    }
    return {
      ...sheet,
      shafts: [...sheet.shafts, shaft],
      members: [...sheet.members, wheel],
      marks: [...sheet.marks, mark],
      loops: sheet.loops.map((one) =>
        one.id === loop.id ? { ...one, path: [...one.path, { memberId: wheel.id, passed: 'inside' }] } : one,
      ),
    }
  }

/** A shaft with a gear that meshes with one that is there, or with the crank's first wheel when there is none. */
export const addGearOn =
  (withMemberId: string): SheetChange =>
  (sheet) => {
    const id = crypto.randomUUID().slice(0, 8)
    const names = sheet.shafts.map(({ name }) => name)
    const shaft = newShaft(`shaft-${id}`, nextName(names, 'Idler shaft'), 'idler')
    const gear: Member = { id: `wheel-${id}`, name: `${shaft.name} gear`, kind: 'gear', shaftId: shaft.id }
    return {
      ...sheet,
      shafts: [...sheet.shafts, shaft],
      members: [...sheet.members, gear],
      couplings: [...sheet.couplings, { id: `mesh-${id}`, kind: 'gearMesh', fromId: withMemberId, toId: gear.id }],
    }
  }

const newShaft = (id: string, name: string, kind: Shaft['kind'] = 'pump'): Shaft => ({
  id,
  name,
  kind,
  ratio: { num: 1, den: 2 },
  position: { how: 'polar', fromShaftId: 'crank' },
})

/** A shaft taken off with everything on it: its wheels, their marks, places on loops, meshes, couplings and lobes. */
export const removeShaft =
  (shaftId: string): SheetChange =>
  (sheet) => {
    const gone = new Set(sheet.members.filter((member) => member.shaftId === shaftId).map(({ id }) => id))
    const marks = sheet.marks.filter(({ memberId }) => !gone.has(memberId))
    const kept = new Set(marks.map(({ id }) => id))
    return {
      ...sheet,
      shafts: sheet.shafts.filter(({ id }) => id !== shaftId).map((shaft) => withoutPlaceFrom(shaft, shaftId)),
      members: sheet.members.filter(({ id }) => !gone.has(id)).map((member) => withoutPlaceFrom(member, shaftId)),
      marks,
      counts: sheet.counts.filter(({ fromMarkId, toMarkId }) => kept.has(fromMarkId) && kept.has(toMarkId)),
      loops: sheet.loops.map((loop) => ({ ...loop, path: loop.path.filter(({ memberId }) => !gone.has(memberId)) })),
      couplings: sheet.couplings.filter(
        ({ fromId, toId }) => !gone.has(fromId) && !gone.has(toId) && fromId !== shaftId && toId !== shaftId,
      ),
      cams: sheet.cams.filter((cam) => cam.shaftId !== shaftId),
      adjusters: sheet.adjusters.filter(({ memberId }) => !gone.has(memberId)),
    }
  }

/** What was placed from a shaft that is gone is measured from the crank again. */
function withoutPlaceFrom<T extends Pick<BuildSheet['shafts'][number], 'position'>>(part: T, shaftId: string): T {
  const { position } = part
  const leans =
    (position?.how === 'polar' && position.fromShaftId === shaftId) ||
    (position?.how === 'distances' && position.from.some((one) => one.shaftId === shaftId))
  return leans ? { ...part, position: { how: 'polar', fromShaftId: 'crank' } } : part
}
