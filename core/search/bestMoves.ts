import {
  MOST_LOOKS,
  isTooMany,
  type FoundMoves,
  type MoveProblem,
  type MoveSet,
  type Progress,
  type TooMany,
} from './moves'
import { apart, leavesOf, looksOf, wholeOf, type Part } from './parts'
import { solveLeaf, type PartSet, type Solved } from './solveLeaf'
import { byWorth, frontOfSums, smallestSums, sumOf, unbeaten } from './sums'
import { choicesBeside, waysOfCam, type Way, type Ways } from './waysOfCam'

/** The moves that leave least over all cams together, and of those that leave the same, the least trouble; the best few of them. It is the optimum:
 *  for every shared move each place that a cam's own moves can bring it to is gone through, and cams, and banks that share nothing more, then only
 *  add up. Of what is stepless and moves several, one at a time is used, at its best. Yields how far it has come; to stop, do not step it again.
 *  What would take more than `MOST_LOOKS` says so at once. Source: exhaustive search, with the k smallest sums of sorted lists. */
export function* searchMoves(problem: MoveProblem): Generator<Progress, FoundMoves | TooMany> {
  const { cams, cycleDeg, best } = problem
  const ways = cams.map((cam) => waysOfCam(cam, cycleDeg))
  const whole = wholeOf(problem)
  const looks = looksOf(whole, ways)
  if (looks > MOST_LOOKS) return { tooMany: looks }
  const total = Math.max(1, leavesOf(whole))
  let done = 0
  yield { done, total }
  const { nearest, front } = yield* solve(
    whole,
    cams.map(({ latenessDeg }) => latenessDeg),
  )
  const setOf = (part: PartSet): MoveSet => ({
    shared: part.shared,
    cams: cams.map(({ id }, i) => {
      const own = part.cams.get(i)
      return { id, moves: own?.moves ?? [], leftoverDeg: own?.leftoverDeg ?? 0 }
    }),
    misses: part.misses,
    effort: part.effort,
  })
  return { nearest: nearest.map(setOf), front: front.map(setOf) }

  function* solve(part: Part, late: readonly number[]): Generator<Progress, Solved> {
    const parts = apart(part)
    if (parts.length > 1) {
      const solved: Solved[] = []
      for (const one of parts) solved.push(yield* solve(one, late))
      return {
        nearest: smallestSums(
          solved.map((one) => one.nearest),
          best,
        ).map(joined),
        front: frontOfSums(solved.map((one) => one.front)).map(joined),
      }
    }
    const [widest, ...rest] = part.shared
    if (!widest) {
      const solved = solveLeaf(part, late, { problem, ways })
      yield { done: ++done, total }
      return solved
    }
    let nearest: PartSet[] = []
    let front: PartSet[] = []
    for (const way of each(widest.ways)) {
      const then = late.map((deg, i) => (widest.cams.has(i) ? deg + way.laterDeg : deg))
      const solved = yield* solve({ ...part, shared: rest }, then)
      const moved = (one: PartSet): PartSet => ({
        ...one,
        shared: [...way.moves, ...one.shared],
        effort: one.effort + way.effort,
      })
      nearest = [...nearest, ...solved.nearest.map(moved)].sort(byWorth).slice(0, best)
      front = unbeaten([...front, ...solved.front.map(moved)])
    }
    return { nearest, front }
  }
}

function* each({ places, beside }: Ways): Generator<Way> {
  for (const other of choicesBeside(beside))
    for (const way of places)
      yield {
        laterDeg: way.laterDeg + other.laterDeg,
        effort: way.effort + other.effort,
        moves: [...way.moves, ...other.moves],
      }
}

const joined = (parts: readonly PartSet[]): PartSet => ({
  shared: parts.flatMap(({ shared }) => shared),
  cams: new Map(parts.flatMap(({ cams }) => [...cams])),
  ...sumOf(parts),
})

/** The one to do: the least trouble that leaves every cam within a limit; where none does, or there is no limit, the nearest of all. */
export function moveToDo({ nearest, front }: FoundMoves, withinDeg: number | undefined): MoveSet | undefined {
  const within = front.find(
    ({ cams }) => withinDeg !== undefined && cams.every(({ leftoverDeg }) => Math.abs(leftoverDeg) <= withinDeg),
  )
  return within ?? nearest[0]
}

/** Steps a search to its end at once; nothing where it would take too many looks. */
export function runSearch(problem: MoveProblem): FoundMoves {
  const search = searchMoves(problem)
  for (;;) {
    const step = search.next()
    if (step.done) return isTooMany(step.value) ? { nearest: [], front: [] } : step.value
  }
}
