import type { Adjuster, BuildSheet, Cam, Coupling, Cylinder, Loop, Mark, Member, Shaft } from '../model/buildSheet'
import { oncePerSheet } from './oncePerSheet'

type ById<T> = (id: string | undefined) => T | undefined

/** The parts of a build sheet by id. Undefined, or an id that names nothing, finds nothing. */
export interface SheetParts {
  readonly shaft: ById<Shaft>
  readonly member: ById<Member>
  readonly loop: ById<Loop>
  readonly coupling: ById<Coupling>
  readonly mark: ById<Mark>
  readonly adjuster: ById<Adjuster>
  readonly cylinder: ById<Cylinder>
  readonly cam: ById<Cam>
  /** The shaft that a wheel sits on. */
  readonly shaftOfMember: ById<Shaft>
  readonly crank: Shaft | undefined
  readonly tensioners: readonly Member[]
}

/** The parts of a build sheet, to be asked for by id. */
export const partsOf = oncePerSheet((sheet: BuildSheet): SheetParts => {
  const [shaft, member] = [find(sheet.shafts), find(sheet.members)]
  return {
    shaft,
    member,
    loop: find(sheet.loops),
    coupling: find(sheet.couplings),
    mark: find(sheet.marks),
    adjuster: find(sheet.adjusters),
    cylinder: find(sheet.cylinders),
    cam: find(sheet.cams),
    shaftOfMember: (id) => shaft(member(id)?.shaftId),
    crank: sheet.shafts.find(({ kind }) => kind === 'crank'),
    tensioners: sheet.members.filter(({ kind }) => kind === 'tensioner'),
  }
})

function find<T extends { readonly id: string }>(parts: readonly T[]): ById<T> {
  const known = new Map<string | undefined, T>()
  // Of two with one id the first counts, as in the list.
  for (const part of parts) if (!known.has(part.id)) known.set(part.id, part)
  return (id) => known.get(id)
}
