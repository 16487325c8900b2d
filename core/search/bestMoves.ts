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
 *  for every shared move each cam's own moves are gone through whole, and the cams then only add up. Yields how far it has come; to stop, do
 *  not step it again. Source: exhaustive search, with the k smallest sums of sorted lists. */
export function* searchMoves(problem: MoveProblem): Generator<Progress, FoundMoves> {
  const { cams, cycleDeg, best } = problem
  const sharedSets = product(problem.shared.map(({ mover }) => movesOf(mover, cycleDeg)))
  const total = Math.max(1, sharedSets.length * cams.length)
  let done = 0
  let nearest: MoveSet[] = []
  let front: MoveSet[] = []
  for (const shared of sharedSets) {
    const sharedEffort = problem.shared.reduce((sum, { mover }, i) => sum + effortOf(mover, shared[i] as Move), 0)
    const lists: Candidate[][] = []
    const fronts: Candidate[][] = []
    for (const cam of cams) {
      const given = problem.shared.reduce(
        (sum, { camIds }, i) => (camIds.includes(cam.id) ? sum + (shared[i]?.laterDeg ?? 0) : sum),
        0,
      )
      const own = bestOfCam(cam, cam.latenessDeg + given, cycleDeg, best)
      lists.push(own.kept)
      fronts.push(own.front)
      done++
      yield { done, total }
    }
    const setOf = (one: readonly Candidate[]): MoveSet => ({
      shared: shared.filter(({ laterDeg }) => laterDeg !== 0),
      cams: one.map(({ moves, leftoverDeg }, i) => ({ id: cams[i]?.id ?? '', moves, leftoverDeg })),
      misses: sumOf(one).misses,
      effort: sharedEffort + sumOf(one).effort,
    })
    nearest = [...nearest, ...smallestSums(lists, best).map(setOf)].sort(byWorth).slice(0, best)
    front = unbeaten([...front, ...frontOfSums(fronts).map(setOf)])
  }
  return { nearest, front }
}

const byWorth = (a: { misses: number; effort: number }, b: { misses: number; effort: number }) =>
  Math.abs(a.misses - b.misses) > SAME ? a.misses - b.misses : a.effort - b.effort

/** All that one mover can do; a range is settled last, when the rest is known. */
function movesOf({ id, by }: Mover, cycleDeg: number): Move[] {
  switch (by.kind) {
    case 'steps': {
      const most = Math.min(by.mostSteps ?? Infinity, Math.floor(by.places / 2))
      const least = by.places % 2 === 0 && most === by.places / 2 ? 1 - most : -most
      return Array.from({ length: most - least + 1 }, (_, i) => {
        const amount = least + i
        return { moverId: id, amount, laterDeg: (amount * cycleDeg) / by.places }
      })
    }
    case 'choices':
      return by.laterDeg.map((laterDeg, amount) => ({ moverId: id, amount, laterDeg }))
    case 'range':
      return [{ moverId: id, amount: 0, laterDeg: 0 }]
  }
}

const effortOf = ({ effort, by }: Mover, { amount }: Move) =>
  amount === 0 ? 0 : by.kind === 'steps' ? effort * Math.abs(amount) : effort

function product<T>(lists: readonly (readonly T[])[]): T[][] {
  return lists.reduce<T[][]>((so, list) => so.flatMap((head) => list.map((one) => [...head, one])), [[]])
}

/** The best few ways of setting one cam that reads so late, the least left over first, then the least trouble. */
function bestOfCam(cam: CamToSet, lateDeg: number, cycleDeg: number, best: number) {
  const fixed = cam.movers.filter(({ by }) => by.kind !== 'range')
  const ranges = cam.movers.filter(({ by }) => by.kind === 'range')
  const lists = fixed.map((mover) => movesOf(mover, cycleDeg).map((move) => ({ move, effort: effortOf(mover, move) })))
  const kept: Candidate[] = []
  const front: Candidate[] = []
  const chosen: Move[] = []
  const go = (at: number, laterDeg: number, effort: number) => {
    if (at < lists.length) {
      for (const { move, effort: more } of lists[at] ?? []) {
        chosen[at] = move
        go(at + 1, laterDeg + move.laterDeg, effort + more)
      }
      return
    }
    let leftoverDeg = wrap(lateDeg + laterDeg, cycleDeg)
    const slid: Move[] = []
    let slides = 0
    for (const { id, by, effort: more } of ranges) {
      const most = by.kind === 'range' ? by.mostDeg : 0
      const slide = 0 - Math.max(-most, Math.min(most, leftoverDeg))
      if (Math.abs(slide) < 1e-12) continue
      leftoverDeg += slide
      slides += more
      slid.push({ moverId: id, amount: slide, laterDeg: slide })
    }
    const misses = cam.weight * leftoverDeg ** 2
    const cost = effort + slides
    const last = kept.at(-1)
    const near = kept.length < best || !last || byWorth(last, { misses, effort: cost }) > 0
    const free = !front.some((one) => one.effort <= cost && one.misses <= misses + SAME)
    if (!near && !free) return
    const moves = [...chosen.slice(0, lists.length).filter(({ amount }) => amount !== 0), ...slid]
    const candidate = { moves, leftoverDeg, misses, effort: cost }
    if (near) insert(kept, best, candidate)
    if (free) {
      const stays = front.filter((one) => !(cost <= one.effort && misses <= one.misses))
      front.splice(0, front.length, ...stays, candidate)
    }
  }
  go(0, 0, 0)
  return { kept, front }
}

function insert(kept: Candidate[], best: number, one: Candidate): void {
  let at = kept.length
  while (at > 0 && byWorth(kept[at - 1] as Candidate, one) > 0) at--
  kept.splice(at, 0, one)
  if (kept.length > best) kept.pop()
}

const wrap = (deg: number, cycleDeg: number) => deg - cycleDeg * Math.round(deg / cycleDeg)

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
