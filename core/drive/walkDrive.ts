import { byId } from '../byId'
import type { BuildSheet, Member, Shaft } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'
import { multiplyRatios, ratioOf, ratiosEqual, ratioValue, type Ratio } from '../units'

/** One step of the drive: how a shaft is turned by another. */
export interface DriveLink {
  readonly fromShaftId: string
  readonly toShaftId: string
  /** Turns of the second for one of the first; minus = opposite. */
  readonly ratio: Ratio
  readonly by: { readonly kind: 'loop' | 'mesh' | 'coupling'; readonly id: string }
  /** Teeth that make it: driver, driven; undefined for a coupling. */
  readonly teeth: { readonly driver: Member; readonly driven: Member } | undefined
}

export interface DriveRatios {
  /** Turns of each shaft that is driven for one of the crank. */
  readonly ratios: Readonly<Record<string, Ratio>>
  /** The steps from the crank to each shaft. */
  readonly ways: Readonly<Record<string, readonly DriveLink[]>>
  /** Two ways round to one shaft that do not agree. */
  readonly conflicts: readonly {
    readonly shaftId: string
    readonly ratio: Ratio
    readonly other: Ratio
    readonly by: DriveLink
  }[]
  /** Shafts whose ratio is not the engine's, with the recounts that would mend it. */
  readonly wrong: readonly {
    readonly shaftId: string
    readonly ratio: Ratio
    readonly wanted: Ratio
    readonly recounts: readonly Recount[]
  }[]
  readonly undriven: readonly string[]
}

/** A tooth count that would put a ratio right. */
export interface Recount {
  readonly memberId: string
  readonly name: string
  readonly counted: number
  readonly shouldBe: number
}

/** Ratio and direction of every shaft, by walking the drive outwards from the crank with whole-number fractions. Members without a tooth
 *  count join nothing. Shafts on one loop turn the same way when passed on the same side; meshing gears turn opposite; a coupling is
 *  one to one. Says which ways round disagree, which ratios are not the engine's, and what nothing drives.
 *  Source: handbook 1 and 6. */
export const walkDrive = oncePerSheet((sheet): DriveRatios => {
  const { crank } = partsOf(sheet)
  const links = driveLinks(sheet)
  const ratios: Record<string, Ratio> = byId(crank ? [[crank.id, ratioOf(1, 1)]] : [])
  const ways: Record<string, readonly DriveLink[]> = byId(crank ? [[crank.id, []]] : [])
  const conflicts: DriveRatios['conflicts'][number][] = []
  const queue = crank ? [crank.id] : []
  const used = new Set<string>()
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const link of links.filter(({ fromShaftId }) => fromShaftId === at)) {
      const name = [link.by.id, ...[link.fromShaftId, link.toShaftId].sort()].join(' ')
      if (used.has(name)) continue
      used.add(name)
      const here = ratios[at] as Ratio
      const ratio = multiplyRatios(here, link.ratio)
      const known = ratios[link.toShaftId]
      if (!known) {
        ratios[link.toShaftId] = ratio
        ways[link.toShaftId] = [...(ways[at] ?? []), link]
        queue.push(link.toShaftId)
      } else if (!ratiosEqual(known, ratio))
        conflicts.push({ shaftId: link.toShaftId, ratio: known, other: ratio, by: link })
    }
  }
  const wrong = sheet.shafts.flatMap(({ id, kind, ratio: wanted }) => {
    const ratio = ratios[id]
    if (
      !ratio ||
      kind === 'crank' ||
      kind === 'idler' ||
      kind === 'intermediate' ||
      ratiosEqual(absolute(ratio), absolute(wanted))
    )
      return []
    return [{ shaftId: id, ratio, wanted, recounts: recountsOf(ways[id] ?? [], ratio, wanted) }]
  })
  const undriven = sheet.shafts.filter(({ id }) => !ratios[id]).map(({ id }) => id)
  return { ratios, ways, conflicts, wrong, undriven }
})

const absolute = ({ num, den }: Ratio): Ratio => ({ num: Math.abs(num), den })

function driveLinks(sheet: BuildSheet): DriveLink[] {
  const { member } = partsOf(sheet)
  const links: DriveLink[] = []
  const join = (a: Member | undefined, b: Member | undefined, sign: 1 | -1, by: DriveLink['by']) => {
    if (!a?.teeth || !b?.teeth || !a.shaftId || !b.shaftId || a.shaftId === b.shaftId) return
    const ways = [
      [a, b],
      [b, a],
    ] as const
    for (const [driver, driven] of ways) {
      const ratio = ratioOf(sign * (driver.teeth?.value ?? 1), driven.teeth?.value ?? 1)
      links.push({
        fromShaftId: driver.shaftId ?? '',
        toShaftId: driven.shaftId ?? '',
        ratio,
        by,
        teeth: { driver, driven },
      })
    }
  }
  for (const { id, path } of sheet.loops) {
    path.forEach(({ memberId, passed }, i) => {
      for (const other of path.slice(i + 1)) {
        join(member(memberId), member(other.memberId), passed === other.passed ? 1 : -1, { kind: 'loop', id })
      }
    })
  }
  for (const { id, kind, fromId, toId } of sheet.couplings) {
    if (kind === 'gearMesh') join(member(fromId), member(toId), -1, { kind: 'mesh', id })
    else {
      const one = ratioOf(1, 1)
      const by = { kind: 'coupling', id } as const
      links.push({ fromShaftId: fromId, toShaftId: toId, ratio: one, by, teeth: undefined })
      links.push({ fromShaftId: toId, toShaftId: fromId, ratio: one, by, teeth: undefined })
    }
  }
  return links
}

/** Every single tooth count on the way that, counted otherwise, gives the ratio wanted. */
function recountsOf(way: readonly DriveLink[], ratio: Ratio, wanted: Ratio): Recount[] {
  const factor = Math.abs(ratioValue(wanted) / ratioValue(ratio))
  const recounts = way.flatMap(({ teeth }) => {
    if (!teeth) return []
    const { driver, driven } = teeth
    return [
      { member: driver, shouldBe: (driver.teeth?.value ?? 0) * factor },
      { member: driven, shouldBe: (driven.teeth?.value ?? 0) / factor },
    ]
  })
  // A member that stands on the way twice, driven and then driver, would not change anything.
  const once = recounts.filter(({ member }) => recounts.filter((one) => one.member.id === member.id).length === 1)
  return once
    .filter(({ shouldBe }) => Math.abs(shouldBe - Math.round(shouldBe)) < 1e-9 && shouldBe >= 5 && shouldBe <= 400)
    .map(({ member, shouldBe }) => ({
      memberId: member.id,
      name: member.name,
      counted: member.teeth?.value ?? 0,
      shouldBe: Math.round(shouldBe),
    }))
}

/** Turns of a shaft for one of the crank: by the drive where it is whole, else what the sheet says. */
export const ratioOfShaft = (sheet: BuildSheet, shaft: Shaft): Ratio => walkDrive(sheet).ratios[shaft.id] ?? shaft.ratio
