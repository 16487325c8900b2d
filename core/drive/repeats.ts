import type { BuildSheet } from '../model/buildSheet'
import { gcd } from '../units'
import { walkDrive } from './walkDrive'

const lcm = (a: number, b: number) => (a / gcd(a, b)) * b

export interface Repeats {
  /** Crank turns until every mark of each shaft stands where it stood. */
  readonly shafts: readonly { readonly shaftId: string; readonly turns: number }[]
  /** Crank turns until the same link lies on the same tooth again. */
  readonly loops: readonly { readonly loopId: string; readonly turns: number }[]
  /** Crank turns until the same teeth of two meshing gears meet. */
  readonly meshes: readonly { readonly couplingId: string; readonly turns: number }[]
  /** Crank turns until everything stands as it stood. */
  readonly allTurns: number
}

/** After how many crank turns marks, painted links and assembly marks meet again. A shaft that turns a/b of the crank is back after b
 *  turns; a loop of L pitches moves on by z of the shaft that drives it, so it is back after L / gcd(L, z) turns of that shaft, and
 *  together with the crank after the least common multiple. Shafts and loops whose counts are not known are left out.
 *  Source: handbook 6, whole-number arithmetic. */
export function findRepeats(sheet: BuildSheet): Repeats {
  const { ratios } = walkDrive(sheet)
  const shaftTurns = (shaftId: string) => ratios[shaftId]?.den
  const shafts = sheet.shafts.flatMap(({ id }) => {
    const turns = shaftTurns(id)
    return turns === undefined ? [] : [{ shaftId: id, turns }]
  })
  const loops = sheet.loops.flatMap(({ id, path, pitches }) => {
    const toothed = path.flatMap(({ memberId }) =>
      sheet.members.filter((one) => one.id === memberId && one.teeth && one.shaftId),
    )
    const [member] = toothed
    const ratio = member?.shaftId === undefined ? undefined : ratios[member.shaftId]
    if (!member?.teeth || !ratio || !pitches) return []
    // In n crank turns the loop moves on by n·z·num/den pitches: a whole number of loops, and whole turns of the wheel.
    const perTurn = member.teeth.value * Math.abs(ratio.num)
    const whole = pitches.value * ratio.den
    const back = whole / gcd(whole, perTurn)
    const turns = toothed.reduce((sum, member) => lcm(sum, shaftTurns(member.shaftId ?? '') ?? 1), back)
    return [{ loopId: id, turns }]
  })
  const meshes = sheet.couplings.flatMap(({ id, kind, fromId, toId }) => {
    const shaftIds = [fromId, toId].map((memberId) => sheet.members.find((one) => one.id === memberId)?.shaftId ?? '')
    const turns = shaftIds.map(shaftTurns)
    const [a, b] = turns
    return kind === 'gearMesh' && a !== undefined && b !== undefined ? [{ couplingId: id, turns: lcm(a, b) }] : []
  })
  const allTurns = [...shafts, ...loops, ...meshes].reduce((sum, { turns }) => lcm(sum, turns), 1)
  return { shafts, loops, meshes, allTurns }
}
