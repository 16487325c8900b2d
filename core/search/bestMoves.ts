import { sharedSlides } from './sharedSlides'
import { effortOf, movesOf, waysOfCam, wrap, type Way } from './waysOfCam'

/** Something that can be moved. Degrees are of the crank, + = the cam comes later. */
export interface Mover {
  readonly id: string
  /** How much trouble a move is, against the others; a stepped one costs it once for each step. */
  readonly effort: number
  readonly by:
    /** So many places to the turn of the cam; `mostSteps` each way where more would not be done. */
    | { readonly kind: 'steps'; readonly places: number; readonly mostSteps?: number }
    /** One of a few, the first being as it is. */
    | { readonly kind: 'choices'; readonly laterDeg: readonly number[] }
    /** Anything within so many degrees each way. */
    | { readonly kind: 'range'; readonly mostDeg: number }
}

export interface CamToSet {
  readonly id: string
  /** Late by so much of what it is to be. */
  readonly latenessDeg: number
  readonly weight: number
  readonly movers: readonly Mover[]
}

export interface MoveProblem {
  readonly cams: readonly CamToSet[]
  /** What moves every cam named alike: a key or tooth at the crank. */
  readonly shared: readonly { readonly mover: Mover; readonly camIds: readonly string[] }[]
  /** A whole turn of a cam, crank degrees. */
  readonly cycleDeg: number
  readonly best: number
}

export interface Move {
  readonly moverId: string
  /** Steps on (+ = later), the number of the choice, or degrees later. */
  readonly amount: number
  readonly laterDeg: number
}

export interface MoveSet {
  readonly shared: readonly Move[]
  readonly cams: readonly { readonly id: string; readonly moves: readonly Move[]; readonly leftoverDeg: number }[]
  /** Sum of weight times leftover squared. */
  readonly misses: number
  readonly effort: number
}

export interface FoundMoves {
  /** The best few by what is left, the nearest first. */
  readonly nearest: readonly MoveSet[]
  /** Every set that nothing else beats in both: with less trouble more is left. The least trouble first. */
  readonly front: readonly MoveSet[]
}

export interface Progress {
  readonly done: number
  readonly total: number
}

/** Leftovers that differ by less than this are the same: rounding of the sums, and nothing that can be read. Degrees squared. */
const SAME = 1e-9

interface Candidate {
  readonly moves: readonly Move[]
  readonly leftoverDeg: number
  readonly misses: number
  readonly effort: number
}

/** The moves that leave least over all cams together, and of those that leave the same, the least trouble; the best few of them. It is the optimum:
 *  for every shared move each place that a cam's own moves can bring it to is gone through, and the cams then only add up. Of what is stepless and
 *  moves several, one at a time is used, at its best. Yields how far it has come; to stop, do not step it again. Source: exhaustive
 *  search, with the k smallest sums of sorted lists. */
export function* searchMoves(problem: MoveProblem): Generator<Progress, FoundMoves> {
  const { cams, cycleDeg, best } = problem
  const stepped = problem.shared.filter(({ mover }) => mover.by.kind !== 'range')
  const stepless = problem.shared.filter(({ mover }) => mover.by.kind === 'range')
  const sharedSets = product(stepped.map(({ mover }) => movesOf(mover, cycleDeg)))
  const total = Math.max(1, sharedSets.length * cams.length)
  let done = 0
  let nearest: MoveSet[] = []
  let front: MoveSet[] = []
  const ways = cams.map((cam) => waysOfCam(cam, cycleDeg))
  for (const shared of sharedSets) {
    const moved = stepped.flatMap(({ mover, camIds }, i) => {
      const move = shared[i]
      return move && move.amount !== 0 ? [{ move, camIds, effort: effortOf(mover, move) }] : []
    })
    const lateWith = (moves: readonly Moved[]) =>
      cams.map(({ id, latenessDeg }) =>
        moves.reduce((sum, { move, camIds }) => (camIds.includes(id) ? sum + move.laterDeg : sum), latenessDeg),
      )
    const slides = stepless.flatMap((one) =>
      sharedSlides(one, cams, ways, lateWith(moved), cycleDeg).map((laterDeg): Moved => ({
        move: { moverId: one.mover.id, amount: laterDeg, laterDeg },
        camIds: one.camIds,
        effort: one.mover.effort,
      })),
    )
    for (const [k, moves] of [moved, ...slides.map((slide) => [...moved, slide])].entries()) {
      const late = lateWith(moves)
      const lists: Candidate[][] = []
      const fronts: Candidate[][] = []
      for (const [at, cam] of cams.entries()) {
        const own = bestOfCam(cam, ways[at] ?? [], late[at] ?? 0, cycleDeg, best)
        lists.push(own.kept)
        fronts.push(own.front)
        if (k === 0) done++
        yield { done, total }
      }
      const setOf = (one: readonly Candidate[]): MoveSet => ({
        shared: moves.map(({ move }) => move),
        cams: one.map(({ moves: ownMoves, leftoverDeg }, i) => ({
          id: cams[i]?.id ?? '',
          moves: ownMoves,
          leftoverDeg,
        })),
        misses: sumOf(one).misses,
        effort: moves.reduce((sum, { effort }) => sum + effort, sumOf(one).effort),
      })
      nearest = [...nearest, ...smallestSums(lists, best).map(setOf)].sort(byWorth).slice(0, best)
      front = unbeaten([...front, ...frontOfSums(fronts).map(setOf)])
    }
  }
  return { nearest, front }
}

/** A move that several cams share, made. */
interface Moved {
  readonly move: Move
  readonly camIds: readonly string[]
  readonly effort: number
}

const byWorth = (a: { misses: number; effort: number }, b: { misses: number; effort: number }) =>
  Math.abs(a.misses - b.misses) > SAME ? a.misses - b.misses : a.effort - b.effort

function product<T>(lists: readonly (readonly T[])[]): T[][] {
  return lists.reduce<T[][]>((so, list) => so.flatMap((head) => list.map((one) => [...head, one])), [[]])
}

/** The best few ways of setting one cam that reads so late, the least left over first, then the least trouble; and every one that no other
 *  beats in both. */
function bestOfCam(
  { weight, movers }: CamToSet,
  ways: readonly Way[],
  lateDeg: number,
  cycleDeg: number,
  best: number,
) {
  const kept: Candidate[] = []
  const all: Candidate[] = []
  let worst = Infinity
  for (const slides of slidesOf(movers)) {
    let least = Infinity
    const mostDeg = slides.reduce((sum, one) => sum + one.mostDeg, 0)
    for (const way of ways) {
      const lateStill = wrap(lateDeg + way.laterDeg, cycleDeg)
      const leftoverDeg = lateStill - Math.max(-mostDeg, Math.min(mostDeg, lateStill))
      const misses = weight * leftoverDeg * leftoverDeg
      // Ways come by the least trouble first: what leaves no less than one before it is beaten.
      if (misses > worst + SAME && misses >= least - SAME) continue
      const slid = slide(lateStill, slides)
      const effort = way.effort + slides.reduce((sum, one) => sum + one.effort, 0)
      const candidate = { moves: [...way.moves, ...slid], leftoverDeg, misses, effort }
      if (misses < least - SAME) all.push(candidate)
      insert(kept, best, candidate)
      if (kept.length === best) worst = kept.at(-1)?.misses ?? Infinity
      least = Math.min(least, misses)
    }
  }
  return { kept, front: unbeaten(all) }
}

interface Slide {
  readonly moverId: string
  readonly effort: number
  readonly mostDeg: number
}

/** Every choice of what is slid at all, nothing the first. */
const slidesOf = (movers: readonly Mover[]): Slide[][] =>
  movers.reduce<Slide[][]>(
    (so, { id, effort, by }) =>
      by.kind === 'range' ? [...so, ...so.map((few) => [...few, { moverId: id, effort, mostDeg: by.mostDeg }])] : so,
    [[]],
  )

/** Each takes what it can of what is left, the first the most. */
function slide(lateDeg: number, slides: readonly Slide[]): Move[] {
  let left = lateDeg
  return slides.map(({ moverId, mostDeg }) => {
    const laterDeg = 0 - Math.max(-mostDeg, Math.min(mostDeg, left))
    left += laterDeg
    return { moverId, amount: laterDeg, laterDeg }
  })
}

function insert(kept: Candidate[], best: number, one: Candidate): void {
  let at = kept.length
  while (at > 0 && byWorth(kept[at - 1] as Candidate, one) > 0) at--
  kept.splice(at, 0, one)
  if (kept.length > best) kept.pop()
}

/** The k smallest sums of one from each list, lists sorted. */
function smallestSums(lists: readonly (readonly Candidate[])[], best: number): Candidate[][] {
  return lists.reduce<Candidate[][]>(
    (so, list) =>
      so
        .flatMap((head) => list.map((one) => [...head, one]))
        .sort((a, b) => byWorth(sumOf(a), sumOf(b)))
        .slice(0, best),
    [[]],
  )
}

const sumOf = (candidates: readonly Candidate[]) => ({
  misses: candidates.reduce((sum, one) => sum + one.misses, 0),
  effort: candidates.reduce((sum, one) => sum + one.effort, 0),
})

const frontOfSums = (fronts: readonly (readonly Candidate[])[]): Candidate[][] =>
  fronts.reduce<Candidate[][]>(
    (so, list) =>
      unbeaten(so.flatMap((head) => list.map((one) => [...head, one])).map((all) => ({ all, ...sumOf(all) }))).map(
        ({ all }) => all,
      ),
    [[]],
  )

/** Those that no other beats in both what is left and trouble, the least trouble first. */
function unbeaten<T extends { readonly misses: number; readonly effort: number }>(all: readonly T[]): T[] {
  const sorted = [...all].sort((a, b) => a.effort - b.effort || a.misses - b.misses)
  let least = Infinity
  return sorted.filter(({ misses }) => {
    if (misses >= least - SAME) return false
    least = misses
    return true
  })
}

/** The one to do: the least trouble that leaves every cam within a limit; where none does, or there is no limit, the nearest of all. */
export function moveToDo({ nearest, front }: FoundMoves, withinDeg: number | undefined): MoveSet | undefined {
  const within = front.find(
    ({ cams }) => withinDeg !== undefined && cams.every(({ leftoverDeg }) => Math.abs(leftoverDeg) <= withinDeg),
  )
  return within ?? nearest[0]
}

/** Steps a search to its end at once. */
export function runSearch(problem: MoveProblem): FoundMoves {
  const search = searchMoves(problem)
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
  }
}
