import type { CamToSet, Move, Mover, MoverOf } from './moves'

/** Places of a camshaft nearer together than this are one place: rounding of the sums, and nothing that can be read. Degrees. */
const SAME_DEG = 1e-7

/** One place a camshaft can be brought to by its stepped moves, by the least trouble. */
export interface Way {
  readonly laterDeg: number
  readonly effort: number
  readonly moves: readonly Move[]
}

export const wrap = (deg: number, cycleDeg: number) => deg - cycleDeg * Math.round(deg / cycleDeg)

/** As a part of a move, where it is known. */
export const ofWhat = (of: MoverOf | undefined) => (of ? { of } : {})

/** All that one mover can do; a range is settled last, when the rest is known. */
export function movesOf({ id, of, by }: Mover, cycleDeg: number): Move[] {
  const move = (amount: number, laterDeg: number): Move => ({ moverId: id, ...ofWhat(of), amount, laterDeg })
  switch (by.kind) {
    case 'steps': {
      const most = Math.min(by.mostSteps ?? Infinity, Math.floor(by.places / 2))
      const least = by.places % 2 === 0 && most === by.places / 2 ? 1 - most : -most
      return Array.from({ length: most - least + 1 }, (_, i) => {
        const amount = least + i
        return move(amount, (amount * cycleDeg) / by.places)
      })
    }
    case 'choices':
      return by.laterDeg.map((laterDeg, amount) => move(amount, laterDeg))
    case 'range':
      return [move(0, 0)]
  }
}

export const effortOf = ({ effort, by }: Mover, { amount }: Move) =>
  amount === 0 ? 0 : by.kind === 'steps' ? effort * Math.abs(amount) : effort

/** So many places are kept in one list; what would make more is gone through beside it. */
const MOST_PLACES = 200_000

/** Every place that stepped moves can bring a camshaft to, as one list and further lists to be gone through beside it: each place of the one with
 *  each of the others. */
export interface Ways {
  /** Each place by the least trouble, the least trouble first. */
  readonly places: readonly Way[]
  readonly beside: readonly (readonly Way[])[]
}

/** Two ways to one place are one place before the next mover is added, so two ends of a quill, a hub and a tooth stay as many places as their common
 *  steps. */
export function waysOf(movers: readonly Mover[], cycleDeg: number): Ways {
  let places: readonly Way[] = [{ laterDeg: 0, effort: 0, moves: [] }]
  const beside: Way[][] = []
  for (const mover of movers.filter(({ by }) => by.kind !== 'range')) {
    const own = movesOf(mover, cycleDeg).map((move): Way => ({
      laterDeg: move.laterDeg,
      effort: effortOf(mover, move),
      moves: move.amount === 0 ? [] : [move],
    }))
    if (places.length * own.length > MOST_PLACES) beside.push(own)
    else places = together(places, own, cycleDeg)
  }
  return { places: [...places].sort((a, b) => a.effort - b.effort), beside }
}

function together(ways: readonly Way[], own: readonly Way[], cycleDeg: number): Way[] {
  const places = new Map<number, Way>()
  for (const way of ways)
    for (const { laterDeg: more, effort, moves } of own) {
      const laterDeg = wrap(way.laterDeg + more, cycleDeg)
      const place = Math.round(laterDeg / SAME_DEG)
      const known = places.get(place)
      if (known && known.effort <= way.effort + effort) continue
      places.set(place, {
        laterDeg,
        effort: way.effort + effort,
        moves: moves.length === 0 ? way.moves : [...way.moves, ...moves],
      })
    }
  return [...places.values()]
}

export const waysOfCam = ({ movers }: CamToSet, cycleDeg: number): Ways => waysOf(movers, cycleDeg)

/** Every choice of one from each of the lists beside, one after the other and never all at once. */
export function* choicesBeside(beside: Ways['beside'], at = 0): Generator<Way> {
  const list = beside[at]
  if (!list) return yield { laterDeg: 0, effort: 0, moves: [] }
  for (const own of list)
    for (const rest of choicesBeside(beside, at + 1))
      yield {
        laterDeg: own.laterDeg + rest.laterDeg,
        effort: own.effort + rest.effort,
        moves: [...own.moves, ...rest.moves],
      }
}

/** How many places there are in all. */
export const countOf = ({ places, beside }: Ways) => beside.reduce((n, list) => n * list.length, places.length)
