import type { BuildSheet } from '../../model'
import type { DriveQuestions, Link } from './world'

/** Who holds which camshaft. */
export function driveQuestions(): DriveQuestions {
  const shaftsOn = (on: BuildSheet) => [
    ...new Set([
      ...on.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => id),
      ...on.cams.map(({ shaftId }) => shaftId),
    ]),
  ]
  const wayTo = (shaft: string, on: BuildSheet): Link[] => {
    const coupling = on.couplings.find(({ toId, kind }) => shaftOfEnd(on, kind, toId) === shaft)
    if (coupling)
      return [...wayTo(shaftOfEnd(on, coupling.kind, coupling.fromId), on), { kind: 'coupling', id: coupling.id }]
    const loop = on.loops.find(({ path }) =>
      path.some(({ memberId }) => on.members.some((one) => one.id === memberId && one.shaftId === shaft)),
    )
    return loop ? [{ kind: 'loop', id: loop.id }] : []
  }
  const isOnSheet = ({ kind, id }: Link, on: BuildSheet) =>
    (kind === 'loop' ? on.loops : on.couplings).some((one) => one.id === id)
  const behind = (link: Link, on: BuildSheet) =>
    isOnSheet(link, on)
      ? shaftsOn(on).filter((shaft) => wayTo(shaft, on).some(({ id }) => id === link.id))
      : shaftsOn(on)
  const placeOfShaft = (shaft: string, on: BuildSheet) => {
    const loop = on.loops.find(({ id }) => wayTo(shaft, on).some((link) => link.id === id))
    const own = on.marks.find(
      ({ memberId, meetsAtDeg }) => meetsAtDeg && loop?.path.some((part) => part.memberId === memberId),
    )
    return own?.meetsAtDeg?.value ?? on.referencePose.crankDeg.value
  }
  const placeOf = (link: Link, on: BuildSheet) => {
    const places = new Set(behind(link, on).map((shaft) => placeOfShaft(shaft, on)))
    const [only] = places
    return places.size === 1 && only !== undefined ? only : on.referencePose.crankDeg.value
  }
  return { shaftsOn, wayTo, isOnSheet, behind, placeOf }
}

/** A mesh speaks of its gears, any other coupling of its shafts; gears are written from the crank outwards in the walks. */
export const shaftOfEnd = (on: BuildSheet, kind: BuildSheet['couplings'][number]['kind'], id: string) =>
  kind === 'gearMesh' ? (on.members.find((one) => one.id === id)?.shaftId ?? '') : id
