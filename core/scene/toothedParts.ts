import { schematicPoint, shaftPoint, type SolvedLoop } from '../drive'
import { distance, type Point } from '../geometry'
import type { BuildSheet, Member } from '../model/buildSheet'
import { partsOf } from '../sheet'
import type { ToothedPart } from './scene'

/** Toothed parts of the loops as they were solved, and gears where their shafts stand, in sizes that let them touch. The largest come first, so
 *  that what sits before them on the same shaft is seen. */
export function toothedPartsOf(sheet: BuildSheet, solved: readonly SolvedLoop[]): ToothedPart[] {
  const parts = partsOf(sheet)
  const isCrank = (shaftId: string | undefined) => parts.shaft(shaftId)?.kind === 'crank'
  const onLoops = solved.flatMap(({ members, path }) =>
    members.flatMap(({ memberId, teeth, centre, radiusMm, kind, shaftId }): ToothedPart[] => {
      const name = parts.member(memberId)?.name ?? ''
      return teeth
        ? [{ memberId, name, kind, teeth, centre, radiusMm, pitchMm: path.pitchMm, isCrank: isCrank(shaftId) }]
        : []
    }),
  )
  const placeOf = (shaftId: string | undefined) => {
    const shaft = parts.shaft(shaftId)
    const onLoop = onLoops.find(({ memberId }) => parts.member(memberId)?.shaftId === shaftId)
    return (shaft && shaftPoint(sheet, shaft)) ?? onLoop?.centre ?? schematicPoint(sheet, shaftId)
  }
  const gears = sheet.couplings.flatMap(({ kind, fromId, toId }): ToothedPart[] => {
    const two = [fromId, toId].map((id) => parts.member(id))
    const [a, b] = two
    const [from, to] = two.map((one) => placeOf(one?.shaftId))
    if (kind !== 'gearMesh' || !a?.teeth || !b?.teeth || !from || !to) return []
    const perTooth = distance(from, to) / (a.teeth.value + b.teeth.value)
    const gear = (member: Member, centre: Point): ToothedPart => ({
      memberId: member.id,
      name: member.name,
      kind: 'gear',
      teeth: member.teeth?.value ?? 1,
      centre,
      radiusMm: perTooth * (member.teeth?.value ?? 1),
      pitchMm: 2 * Math.PI * perTooth,
      isCrank: isCrank(member.shaftId),
    })
    return [gear(a, from), gear(b, to)]
  })
  const once = new Map([...onLoops, ...gears].map((part) => [part.memberId, part]))
  return [...once.values()].sort((a, b) => b.radiusMm - a.radiusMm)
}
