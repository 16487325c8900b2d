import { byId } from '../byId'
/** Crank degrees of each firing TDC after the zero cylinder's, by cylinder id. */
export type FiringPlaces = Readonly<Record<string, number>>

interface Residue {
  readonly cylinderId: string
  /** On one turn, [0, 360). */
  readonly deg: number
}

const SAME_DEG = 1e-6

/** Every way in which a firing order can be true of an engine's throws: firing TDCs that come in that order within one cycle.
 *  Residues are TDCs on one turn; on a four-stroke each may fire on either of two. None = order and throws cannot both be right;
 *  more than one = a revolution that the order cannot settle. The first of the order stands at 0, and no two fire at once. */
export function placesInOrder(order: readonly Residue[], cycleDeg: number): FiringPlaces[] {
  const [first, ...rest] = order
  if (!first) return []
  let ways: { readonly places: FiringPlaces; readonly lastDeg: number }[] = [
    { places: byId([[first.cylinderId, first.deg]]), lastDeg: first.deg },
  ]
  for (const { cylinderId, deg } of rest) {
    ways = ways.flatMap(({ places, lastDeg }) =>
      turnsOf(deg, cycleDeg)
        .filter((at) => at > lastDeg + SAME_DEG)
        .map((at) => ({ places: byId([...Object.entries(places), [cylinderId, at]]), lastDeg: at })),
    )
  }
  return ways.map(({ places }) => places)
}

const turnsOf = (deg: number, cycleDeg: number) =>
  Array.from({ length: Math.round(cycleDeg / 360) }, (_, turn) => deg + 360 * turn)

export interface PossibleOrder {
  readonly order: readonly string[]
  readonly places: FiringPlaces
  /** Widest less narrowest interval between firings, degrees: 0 = evenly fired. */
  readonly unevenDeg: number
}

/** The orders in which these throws can fire, the most even ones first, at most `most` of them; and how many there are in all.
 *  Every cylinder but the first is tried on each of its turns: 2^(n-1) ways for a four-stroke, 8192 for fourteen cylinders. */
export function possibleOrders(
  residues: readonly Residue[],
  cycleDeg: number,
  most = 6,
): { readonly best: readonly PossibleOrder[]; readonly total: number } {
  const [first, ...rest] = residues
  if (!first) return { best: [], total: 0 }
  const turns = Math.round(cycleDeg / 360)
  const total = turns ** rest.length
  const all: PossibleOrder[] = []
  for (let way = 0; way < total; way++) {
    const places: Record<string, number> = byId([[first.cylinderId, first.deg]])
    let left = way
    for (const { cylinderId, deg } of rest) {
      places[cylinderId] = deg + 360 * (left % turns)
      left = Math.floor(left / turns)
    }
    all.push(orderOf(places, cycleDeg))
  }
  const best = all
    .sort((a, b) => a.unevenDeg - b.unevenDeg || (a.order.join() < b.order.join() ? -1 : 1))
    .slice(0, most)
  return { best, total }
}

function orderOf(places: FiringPlaces, cycleDeg: number): PossibleOrder {
  const fired = Object.entries(places).sort(([, a], [, b]) => a - b)
  const gaps = fired.map(([, deg], i) => (fired[i + 1]?.[1] ?? (fired[0]?.[1] ?? 0) + cycleDeg) - deg)
  return { order: fired.map(([id]) => id), places, unevenDeg: Math.max(...gaps) - Math.min(...gaps) }
}
