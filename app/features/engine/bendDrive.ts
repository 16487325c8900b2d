import { nanoid } from 'nanoid'
import { loopKinds } from '@link-count/core/drive'
import type { BuildSheet, Coupling, Loop, Mark, Member, Shaft } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { nounsOf, upperFirst } from '../../ui/wording'
import type { SheetChange } from './sheetChanges'

const nextName = (names: readonly string[], base: string) => {
  let n = 2
  while (names.includes(`${base} ${n}`)) n++
  return names.includes(base) ? `${base} ${n}` : base
}

const freshId = () => nanoid(8)

/** A wheel for a loop of this kind on a shaft, with a mark for the reference pose. */
function memberFor(sheet: BuildSheet, kind: Loop['kind'], shaft: Shaft) {
  const id = freshId()
  const of = loopKinds[kind].runsOn
  const names = sheet.members.map(({ name }) => name)
  const wheel: Member = { id: `wheel-${id}`, name: nextName(names, `${shaft.name} ${of}`), kind: of, shaftId: shaft.id }
  return { wheel, mark: markOn(wheel) }
}

const markOn = ({ id, name }: Member): Mark => ({
  id: `mark-${id}`.slice(0, 64),
  name: `${name} mark`,
  memberId: id,
  halfTeeth: 0,
  cutFor: 'pose',
  meets: '',
})

type Passed = Loop['path'][number]

/** A part put on a loop's path after another that is there; last where none is named. */
const onLoop = (loopId: string, part: Passed, afterId: string | undefined) => (loops: readonly Loop[]) =>
  loops.map((one) => {
    if (one.id !== loopId) return one
    const after = one.path.findIndex(({ memberId }) => memberId === afterId)
    return { ...one, path: one.path.toSpliced(after < 0 ? one.path.length : after + 1, 0, part) }
  })

/** A wheel on a shaft that is there, on a loop's path after a part; last where none is named. */
export const addMemberOn =
  (loop: Loop, shaftId: string, afterId?: string): SheetChange =>
  (sheet) => {
    const shaft = partsOf(sheet).shaft(shaftId)
    if (!shaft) return sheet
    const { wheel, mark } = memberFor(sheet, loop.kind, shaft)
    return {
      ...sheet,
      members: [...sheet.members, wheel],
      marks: [...sheet.marks, mark],
      loops: onLoop(loop.id, { memberId: wheel.id, passed: 'inside' }, afterId)(sheet.loops),
    }
  }

/** One more shaft, its wheel on a loop's path after a part; last where none is named. */
export const addShaftOn =
  (loop: Loop, afterId?: string): SheetChange =>
  (sheet) => {
    const names = sheet.shafts.map(({ name }) => name)
    const shaft = newShaft(`shaft-${freshId()}`, nextName(names, 'Pump shaft'))
    return addMemberOn(loop, shaft.id, afterId)({ ...sheet, shafts: [...sheet.shafts, shaft] })
  }

const plainParts = { idler: 'Idler', guide: 'Guide', tensioner: 'Tensioner' } as const

/** An idler, guide or tensioner more, on a loop's path after a part. A tensioner stands where its slack puts it. */
export const addPlainOn =
  (loopId: string, kind: keyof typeof plainParts, afterId?: string): SheetChange =>
  (sheet) => {
    const names = sheet.members.map(({ name }) => name)
    const member: Member = {
      id: `${kind}-${freshId()}`,
      name: nextName(names, plainParts[kind]),
      kind,
      ...(kind === 'tensioner' ? {} : { position: { how: 'polar', fromShaftId: sheet.shafts[0]?.id ?? 'crank' } }),
    }
    return {
      ...sheet,
      members: [...sheet.members, member],
      loops: onLoop(loopId, { memberId: member.id, passed: 'outside' }, afterId)(sheet.loops),
    }
  }

/** A part passed on its other side by a loop. */
export const passOtherSide =
  (loopId: string, memberId: string): SheetChange =>
  (sheet) => ({
    ...sheet,
    loops: sheet.loops.map((loop) =>
      loop.id === loopId
        ? {
            ...loop,
            path: loop.path.map((part) =>
              part.memberId === memberId
                ? { ...part, passed: part.passed === 'inside' ? ('outside' as const) : ('inside' as const) }
                : part,
            ),
          }
        : loop,
    ),
  })

/** A chain or belt from one shaft to another, with a wheel of its own on each; it turns its shafts the same way. */
export const addLoop =
  (kind: Loop['kind'], fromShaftId: string, toShaftId: string): SheetChange =>
  (sheet) => {
    const base = upperFirst(nounsOf({ kind }).loop)
    const id = freshId()
    const names = sheet.loops.map(({ name }) => name)
    const loop: Loop = { id: `loop-${id}`, name: nextName(names, base), kind, path: [] }
    const begun = {
      ...sheet,
      loops: [...sheet.loops, loop],
      witnesses: [...sheet.witnesses, { id: `w-${id}`, kind: 'count' as const, targetId: loop.id }],
    }
    return addMemberOn(loop, toShaftId)(addMemberOn(loop, fromShaftId)(begun))
  }

/** A loop taken off with its wheels, their marks and counts; its shafts stay. */
export const removeLoop =
  (loopId: string): SheetChange =>
  (sheet) => {
    const loop = partsOf(sheet).loop(loopId)
    const meshed = new Set(sheet.couplings.flatMap(({ fromId, toId }) => [fromId, toId]))
    const gone = new Set(loop?.path.map(({ memberId }) => memberId).filter((id) => !meshed.has(id)))
    return {
      ...withoutMembers(sheet, gone),
      loops: sheet.loops.filter(({ id }) => id !== loopId),
      counts: sheet.counts.filter((count) => count.loopId !== loopId),
      witnesses: sheet.witnesses.filter(({ targetId }) => targetId !== loopId),
    }
  }

/** A shaft joined to another by splines, a quill or dogs: both turn together. */
export const addCoupling =
  (kind: Coupling['kind'], fromId: string, toId: string): SheetChange =>
  (sheet) => ({
    ...sheet,
    couplings: [...sheet.couplings, { id: `${kind}-${freshId()}`, kind, fromId, toId }],
  })

export const removeCoupling =
  (couplingId: string): SheetChange =>
  (sheet) => ({ ...sheet, couplings: sheet.couplings.filter(({ id }) => id !== couplingId) })

/** The end of a shaft that carries a mark and no wheel. */
export const addHub =
  (shaftId: string): SheetChange =>
  (sheet) => {
    const shaft = partsOf(sheet).shaft(shaftId)
    if (!shaft) return sheet
    const hub: Member = { id: `hub-${freshId()}`, name: `${shaft.name} end`, kind: 'hub', shaftId }
    return { ...sheet, members: [...sheet.members, hub], marks: [...sheet.marks, markOn(hub)] }
  }

/** A shaft with a gear that meshes with one that is there, or with the crank's first wheel when there is none. */
export const addGearOn =
  (withMemberId: string): SheetChange =>
  (sheet) => {
    const id = freshId()
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

/** A sheet without some members: their marks, the counts between those, their places on loops, meshes and adjusters go with them. */
function withoutMembers(sheet: BuildSheet, gone: ReadonlySet<string>): BuildSheet {
  const marks = sheet.marks.filter(({ memberId }) => !gone.has(memberId))
  const kept = new Set(marks.map(({ id }) => id))
  return {
    ...sheet,
    members: sheet.members.filter(({ id }) => !gone.has(id)),
    marks,
    counts: sheet.counts.filter(({ fromMarkId, toMarkId }) => kept.has(fromMarkId) && kept.has(toMarkId)),
    loops: sheet.loops.map((loop) => ({ ...loop, path: loop.path.filter(({ memberId }) => !gone.has(memberId)) })),
    couplings: sheet.couplings.filter(({ fromId, toId }) => !gone.has(fromId) && !gone.has(toId)),
    adjusters: sheet.adjusters.filter(({ memberId }) => !gone.has(memberId)),
  }
}

/** A member without a shaft taken off. */
export const removeMember =
  (memberId: string): SheetChange =>
  (sheet) =>
    withoutMembers(sheet, new Set([memberId]))

/** A shaft taken off with everything on it: its wheels, couplings and lobes. */
export const removeShaft =
  (shaftId: string): SheetChange =>
  (sheet) => {
    const gone = new Set(sheet.members.filter((member) => member.shaftId === shaftId).map(({ id }) => id))
    const rest = withoutMembers(sheet, gone)
    return {
      ...rest,
      shafts: sheet.shafts.filter(({ id }) => id !== shaftId).map((shaft) => withoutPlaceFrom(shaft, shaftId)),
      members: rest.members.map((member) => withoutPlaceFrom(member, shaftId)),
      couplings: rest.couplings.filter(({ fromId, toId }) => fromId !== shaftId && toId !== shaftId),
      cams: sheet.cams.filter((cam) => cam.shaftId !== shaftId),
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
