import { bestOfCam, type Candidate } from './bestOfCam'
import type { CamToSet, Move, MoveProblem } from './moves'
import type { Part } from './parts'
import { sharedSlides } from './sharedSlides'
import { byWorth, frontOfSums, smallestSums, sumOf, unbeaten } from './sums'
import { ofWhat, type Ways } from './waysOfCam'

/** The moves for some of the camshafts, by their place in the problem. */
export interface PartSet {
  readonly shared: readonly Move[]
  readonly cams: ReadonlyMap<number, Candidate>
  readonly misses: number
  readonly effort: number
}
export interface Solved {
  readonly nearest: readonly PartSet[]
  readonly front: readonly PartSet[]
}

/** With nothing stepped that is shared: each camshaft by itself, and what is stepless and shared at its best. */
export function solveLeaf(
  { cams: at, stepless }: Part,
  late: readonly number[],
  { problem: { cams, cycleDeg, best }, ways }: { readonly problem: MoveProblem; readonly ways: readonly Ways[] },
): Solved {
  const slides = stepless.flatMap(({ cams: moves, one }) =>
    sharedSlides(one, cams, ways, late, cycleDeg).map((laterDeg) => ({
      moves,
      laterDeg,
      effort: one.mover.effort,
      made: [{ moverId: one.mover.id, ...ofWhat(one.mover.of), amount: laterDeg, laterDeg }],
    })),
  )
  const none = { moves: new Set<number>(), laterDeg: 0, effort: 0, made: [] as Move[] }
  let nearest: PartSet[] = []
  let front: PartSet[] = []
  for (const slid of [none, ...slides]) {
    const own = at.map((i) => {
      const cam = cams[i] as CamToSet
      const lateDeg = (late[i] ?? 0) + (slid.moves.has(i) ? slid.laterDeg : 0)
      return bestOfCam(cam, ways[i] as Ways, lateDeg, cycleDeg, best)
    })
    const setOf = (picked: readonly Candidate[]): PartSet => ({
      shared: slid.made,
      cams: new Map(picked.map((one, k) => [at[k] ?? 0, one])),
      misses: sumOf(picked).misses,
      effort: sumOf(picked).effort + slid.effort,
    })
    nearest = [
      ...nearest,
      ...smallestSums(
        own.map(({ kept }) => kept),
        best,
      ).map(setOf),
    ]
      .sort(byWorth)
      .slice(0, best)
    front = unbeaten([...front, ...frontOfSums(own.map((one) => one.front)).map(setOf)])
  }
  return { nearest, front }
}
