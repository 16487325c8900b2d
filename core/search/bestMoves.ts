import { MOST_SLIDES, sharedSlides } from './sharedSlides'
import { choicesBeside, countOf, ofWhat, waysOf, waysOfCam, wrap, type Way, type Ways } from './waysOfCam'

/** The part of a drive that a mover is; a quill has two ends. */
export type MoverOf =
  | { readonly part: 'tooth'; readonly loopId: string; readonly memberId: string }
  | { readonly part: 'coupling'; readonly couplingId: string; readonly end: 'near' | 'far' }
  | { readonly part: 'adjuster'; readonly adjusterId: string }

/** Something that can be moved. Degrees are of the crank, + = the cam comes later. */
export interface Mover {
  readonly id: string
  /** What it is on the drive, where it is searched for one. */
  readonly of?: MoverOf
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
  readonly of?: MoverOf
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

/** It would take more looks than are gone through: that is said, and nothing is left out in silence. */
export interface TooMany {
  readonly tooMany: number
}
export const isTooMany = (answer: FoundMoves | TooMany): answer is TooMany => 'tooMany' in answer

/** So many places of one camshaft are looked at in all, some seconds' work. */
export const MOST_LOOKS = 40_000_000

/** Camshafts that share movers, and what they share, by which of them it moves. */
interface Shared {
  readonly cams: ReadonlySet<number>
  readonly ways: Ways
}
interface Stepless {
  readonly cams: ReadonlySet<number>
  readonly one: MoveProblem['shared'][number]
}
interface Part {
  readonly cams: readonly number[]
  readonly shared: readonly Shared[]
  readonly stepless: readonly Stepless[]
}

/** The moves for some of the camshafts, by their place in the problem. */
interface PartSet {
  readonly shared: readonly Move[]
  readonly cams: ReadonlyMap<number, Candidate>
  readonly misses: number
  readonly effort: number
}
interface Solved {
  readonly nearest: readonly PartSet[]
  readonly front: readonly PartSet[]
}

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
    if (!widest) return yield* leaf(part, late)
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

  /** With nothing stepped that is shared: each camshaft by itself, and what is stepless and shared at its best. */
  function* leaf({ cams: at, stepless }: Part, late: readonly number[]): Generator<Progress, Solved> {
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
    yield { done: ++done, total }
    return { nearest, front }
  }
}

/** All camshafts, with what moves several of them put together by which it moves; what moves most of them first. */
function wholeOf({ cams, shared, cycleDeg }: MoveProblem): Part {
  const setOf = (camIds: readonly string[]) => new Set(cams.flatMap(({ id }, i) => (camIds.includes(id) ? [i] : [])))
  const groups = new Map<string, { cams: ReadonlySet<number>; movers: Mover[] }>()
  for (const { mover, camIds } of shared.filter(({ mover: { by } }) => by.kind !== 'range')) {
    const set = setOf(camIds)
    const key = [...set].join(' ')
    const group = groups.get(key) ?? { cams: set, movers: [] }
    group.movers.push(mover)
    groups.set(key, group)
  }
  return {
    cams: cams.map((_cam, i) => i),
    shared: [...groups.values()]
      .map(({ cams: set, movers }) => ({ cams: set, ways: waysOf(movers, cycleDeg) }))
      .sort((a, b) => b.cams.size - a.cams.size),
    stepless: shared
      .filter(({ mover: { by } }) => by.kind === 'range')
      .map((one) => ({ cams: setOf(one.camIds), one })),
  }
}

/** The parts that share nothing any more. */
function apart({ cams, shared, stepless }: Part): Part[] {
  const partOf = new Map(cams.map((cam) => [cam, cam]))
  for (const { cams: set } of [...shared, ...stepless]) {
    const [first, ...rest] = [...set].flatMap((cam) => partOf.get(cam) ?? [])
    for (const other of rest)
      for (const [cam, of] of partOf) if (of === other && first !== undefined) partOf.set(cam, first)
  }
  return [...new Set(partOf.values())].map((of) => {
    const own = cams.filter((cam) => partOf.get(cam) === of)
    const touches = ({ cams: set }: { readonly cams: ReadonlySet<number> }) => own.some((cam) => set.has(cam))
    return { cams: own, shared: shared.filter(touches), stepless: stepless.filter(touches) }
  })
}

/** How often camshafts that share nothing stepped any more are settled. */
function leavesOf(part: Part): number {
  const parts = apart(part)
  if (parts.length > 1) return parts.reduce((sum, one) => sum + leavesOf(one), 0)
  const [widest, ...rest] = part.shared
  return widest ? countOf(widest.ways) * leavesOf({ ...part, shared: rest }) : 1
}

/** How many places of one camshaft are looked at in all. */
function looksOf(part: Part, ways: readonly Ways[]): number {
  const parts = apart(part)
  if (parts.length > 1) return parts.reduce((sum, one) => sum + looksOf(one, ways), 0)
  const [widest, ...rest] = part.shared
  if (widest) return countOf(widest.ways) * looksOf({ ...part, shared: rest }, ways)
  const slides = 1 + part.stepless.length * MOST_SLIDES
  return slides * part.cams.reduce((sum, i) => sum + countOf(ways[i] as Ways), 0)
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

const byWorth = (a: { misses: number; effort: number }, b: { misses: number; effort: number }) =>
  Math.abs(a.misses - b.misses) > SAME ? a.misses - b.misses : a.effort - b.effort

/** The best few ways of setting one cam that reads so late, the least left over first, then the least trouble; and every one that no other
 *  beats in both. */
function bestOfCam(
  { weight, movers }: CamToSet,
  { places, beside }: Ways,
  lateDeg: number,
  cycleDeg: number,
  best: number,
) {
  const kept: Candidate[] = []
  const all: Candidate[] = []
  let worst = Infinity
  const choices = slidesOf(movers).map((slides) => ({
    slides,
    mostDeg: slides.reduce((sum, one) => sum + one.mostDeg, 0),
    slideEffort: slides.reduce((sum, one) => sum + one.effort, 0),
  }))
  const look = (other: Way, { slides, mostDeg, slideEffort }: (typeof choices)[number]) => {
    let least = Infinity
    for (const way of places) {
      const lateStill = wrap(lateDeg + other.laterDeg + way.laterDeg, cycleDeg)
      const leftoverDeg = lateStill - Math.max(-mostDeg, Math.min(mostDeg, lateStill))
      const misses = weight * leftoverDeg * leftoverDeg
      // Ways come by the least trouble first: what leaves no less than one before it is beaten.
      if (misses > worst + SAME && misses >= least - SAME) continue
      const slid = slide(lateStill, slides)
      const effort = way.effort + other.effort + slideEffort
      const candidate = { moves: [...way.moves, ...other.moves, ...slid], leftoverDeg, misses, effort }
      if (misses < least - SAME) all.push(candidate)
      insert(kept, best, candidate)
      if (kept.length === best) worst = kept.at(-1)?.misses ?? Infinity
      least = Math.min(least, misses)
    }
  }
  for (const other of choicesBeside(beside)) for (const choice of choices) look(other, choice)
  return { kept, front: unbeaten(all) }
}

interface Slide {
  readonly moverId: string
  readonly of?: MoverOf
  readonly effort: number
  readonly mostDeg: number
}

/** Every choice of what is slid at all, nothing the first. */
const slidesOf = (movers: readonly Mover[]): Slide[][] =>
  movers.reduce<Slide[][]>(
    (so, { id, of, effort, by }) =>
      by.kind === 'range'
        ? [...so, ...so.map((few) => [...few, { moverId: id, ...ofWhat(of), effort, mostDeg: by.mostDeg }])]
        : so,
    [[]],
  )

/** Each takes what it can of what is left, the first the most. */
function slide(lateDeg: number, slides: readonly Slide[]): Move[] {
  let left = lateDeg
  return slides.map(({ moverId, of, mostDeg }) => {
    const laterDeg = 0 - Math.max(-mostDeg, Math.min(mostDeg, left))
    left += laterDeg
    return { moverId, ...ofWhat(of), amount: laterDeg, laterDeg }
  })
}

function insert(kept: Candidate[], best: number, one: Candidate): void {
  let at = kept.length
  while (at > 0 && byWorth(kept[at - 1] as Candidate, one) > 0) at--
  kept.splice(at, 0, one)
  if (kept.length > best) kept.pop()
}

interface Worth {
  readonly misses: number
  readonly effort: number
}

/** The k smallest sums of one from each list, lists sorted. */
function smallestSums<T extends Worth>(lists: readonly (readonly T[])[], best: number): T[][] {
  return lists.reduce<T[][]>(
    (so, list) =>
      so
        .flatMap((head) => list.map((one) => [...head, one]))
        .sort((a, b) => byWorth(sumOf(a), sumOf(b)))
        .slice(0, best),
    [[]],
  )
}

const sumOf = (all: readonly Worth[]): Worth => ({
  misses: all.reduce((sum, one) => sum + one.misses, 0),
  effort: all.reduce((sum, one) => sum + one.effort, 0),
})

const frontOfSums = <T extends Worth>(fronts: readonly (readonly T[])[]): T[][] =>
  fronts.reduce<T[][]>(
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

/** Steps a search to its end at once; nothing where it would take too many looks. */
export function runSearch(problem: MoveProblem): FoundMoves {
  const search = searchMoves(problem)
  for (;;) {
    const step = search.next()
    if (step.done) return isTooMany(step.value) ? { nearest: [], front: [] } : step.value
  }
}
