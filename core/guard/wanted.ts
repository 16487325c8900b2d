import { crankMarksOf, markSigmaDeg } from '../byMark'
import { markOfShaft } from '../cams'
import { markPoseDeg, readDrive, readMeshCount, sectionsWithout, type Section } from '../drive'
import { provedShafts, readLoop, toothOf, alike, type Stand } from '../ledger'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { ratioValue, wrapToSigned180 } from '../units'

/** Something that would show that a camshaft is on its tooth: a count, teeth between the marks of two gears, its mark at its place with the crank at its own, or a reading of the camshaft itself. */
export type Wanted =
  | { readonly by: 'count'; readonly fromMarkId: string; readonly toMarkId: string }
  | { readonly by: 'mesh'; readonly couplingId: string }
  | { readonly by: 'mark'; readonly markId: string; readonly crankMarkId: string }
  | { readonly by: 'read'; readonly shaftId: string }

/** What would prove the first camshaft behind a loop or coupling that is not proved, in the order it is easiest; only what can be had: no count that cannot
 *  tell or has no expected number, no mark that is hidden or too coarse to tell a tooth. Empty where all are proved. */
export function wantedFor(
  sheet: BuildSheet,
  stand: Stand,
  linkId: string,
  hidden: ReadonlySet<string>,
): readonly Wanted[] {
  const proved = provedShafts({ ...stand, sheet })
  const shaftId = readDrive(sheet)
    .behind(linkId)
    .find((id) => !proved.has(id))
  if (shaftId === undefined) return []
  const loop = partsOf(sheet).loop(linkId)
  const found = [
    loop && countWanted(sheet, stand, loop, shaftId, hidden),
    meshWanted(sheet, linkId, hidden),
    markWanted(sheet, shaftId, hidden),
  ].flatMap((one) => one ?? [])
  return found.length > 0 ? found : [{ by: 'read', shaftId }]
}

/** The next count on the way from a camshaft's wheel to one that is known: back along the pulled runs, else over the slack. */
function countWanted(
  sheet: BuildSheet,
  stand: Stand,
  loop: Loop,
  shaftId: string,
  hidden: ReadonlySet<string>,
): Wanted | undefined {
  const way = readDrive(sheet).holdsBy(shaftId)
  const memberId = way?.find((link) => link.id === loop.id)?.memberId
  const driverId = readDrive(sheet).driverOf(loop)?.id
  const counts = stand.loops.get(loop.id)?.counts ?? []
  const usable = sectionsWithout(readDrive(sheet).sections(loop), hidden).filter(
    ({ expected, cannotTell }) => expected && !cannotTell,
  )
  const known = new Set([
    driverId,
    ...readLoop(sheet, loop, counts, undefined, alike(stand.seats)).lateness.map((one) => one.memberId),
  ])
  const path =
    memberId === undefined
      ? undefined
      : (wayBetween(
          usable.filter(({ run }) => run === 'tight'),
          memberId,
          known,
        ) ?? wayBetween(usable, memberId, known))
  const isCounted = ({ from, to }: Section) =>
    counts.some(({ fromMarkId, toMarkId }) => fromMarkId === from.id && toMarkId === to.id)
  const next = path?.find((section) => !isCounted(section))
  return next && { by: 'count', fromMarkId: next.from.id, toMarkId: next.to.id }
}

/** Sections that lead from a wheel to one of those known, the nearest to those first. */
function wayBetween(
  sections: readonly Section[],
  memberId: string,
  known: ReadonlySet<string | undefined>,
): readonly Section[] | undefined {
  const seen = new Set([memberId])
  let ends: { readonly at: string; readonly way: readonly Section[] }[] = [{ at: memberId, way: [] }]
  while (ends.length > 0) {
    const there = ends.find(({ at }) => known.has(at))
    if (there) return there.way
    ends = ends.flatMap(({ at, way }) =>
      sections.flatMap((section) => {
        const [a, b] = [section.from.memberId, section.to.memberId]
        const next = a === at ? b : b === at ? a : undefined
        if (next === undefined || seen.has(next)) return []
        seen.add(next)
        return [{ at: next, way: [section, ...way] }]
      }),
    )
  }
  return undefined
}

/** Teeth between the marks of two gears, where both have one that can be seen and such a count proves the mesh. */
function meshWanted(sheet: BuildSheet, couplingId: string, hidden: ReadonlySet<string>): Wanted | undefined {
  const coupling = partsOf(sheet).coupling(couplingId)
  const marked = (id: string) => sheet.marks.some(({ memberId, id: markId }) => memberId === id && !hidden.has(markId))
  return coupling?.kind === 'gearMesh' &&
    marked(coupling.fromId) &&
    marked(coupling.toId) &&
    readMeshCount(sheet, coupling, 0)?.provesMesh
    ? { by: 'mesh', couplingId }
    : undefined
}

/** Its mark with the crank at one of its own, where both can be seen and are fine enough, or nobody was asked. */
function markWanted(sheet: BuildSheet, shaftId: string, hidden: ReadonlySet<string>): Wanted | undefined {
  const mark = markOfShaft(sheet, shaftId)
  const shaft = partsOf(sheet).shaft(shaftId)
  if (!mark || !shaft || hidden.has(mark.id)) return undefined
  const ratio = Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  const toothDeg = toothOf(sheet, shaftId)
  const camSigma = mark.exact ? markSigmaDeg(mark.exact, partsOf(sheet).member(mark.memberId)?.teeth?.value) / ratio : 0
  const crank = crankMarksOf(sheet).find(
    ({ id, placeDeg, exact, sigmaDeg }) =>
      !hidden.has(id) &&
      Math.abs(wrapToSigned180(placeDeg - markPoseDeg(sheet, mark))) <= 1 &&
      toothDeg !== undefined &&
      2 * Math.hypot(camSigma, exact ? sigmaDeg : 0) < toothDeg / 2,
  )
  return crank && { by: 'mark', markId: mark.id, crankMarkId: crank.id }
}
