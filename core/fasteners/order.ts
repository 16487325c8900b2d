import type { Bolt, BoltGroup } from '../model/buildSheet'

/** The bolts of a group in the order in which they are tightened: each once. Source: common practice. */
export function tighteningOrder({
  bolts,
  order,
  own = [],
}: Pick<BoltGroup, 'bolts' | 'order' | 'own'>): readonly Bolt[] {
  switch (order) {
    case 'asStamped':
      return bolts
    case 'touched':
      return [
        ...own.flatMap((id) => bolts.find((one) => one.id === id) ?? []),
        ...bolts.filter(({ id }) => !own.includes(id)),
      ]
    case 'roundAndRound':
      return byAngle(bolts)
    case 'fromMiddle':
      return fromMiddle(bolts)
    case 'star':
      return bolts.length % 2 === 1 ? oddStar(bolts) : acrossEachOther(bolts)
    case 'crissCross':
      return acrossEachOther(bolts)
  }
}

/** The same bolts as they are loosened: the last tightened first. */
export const looseningOrder = (group: Pick<BoltGroup, 'bolts' | 'order' | 'own'>): readonly Bolt[] =>
  [...tighteningOrder(group)].reverse()

type Place = Pick<Bolt, 'x' | 'y'>

function middleOf(bolts: readonly Bolt[]): Place {
  const n = Math.max(1, bolts.length)
  return { x: bolts.reduce((sum, { x }) => sum + x, 0) / n, y: bolts.reduce((sum, { y }) => sum + y, 0) / n }
}

const apart = (a: Place, b: Place) => Math.hypot(a.x - b.x, a.y - b.y)

/** Clockwise from straight up about the middle, the first laid first. */
function byAngle(bolts: readonly Bolt[]): readonly Bolt[] {
  const [first] = bolts
  if (!first) return bolts
  const middle = middleOf(bolts)
  const from = clockwise(first, middle)
  const on = (bolt: Bolt) => {
    const turn = (clockwise(bolt, middle) - from + 2 * Math.PI) % (2 * Math.PI)
    // Arithmetic noise would put the first at the end.
    return turn > 2 * Math.PI - 1e-9 ? 0 : turn
  }
  return bolts.toSorted((a, b) => on(a) - on(b))
}

const clockwise = ({ x, y }: Place, middle: Place) =>
  (Math.atan2(x - middle.x, y - middle.y) + 2 * Math.PI) % (2 * Math.PI)

/** A star of an odd number: each next is as nearly across as there is one. */
function oddStar(bolts: readonly Bolt[]): readonly Bolt[] {
  const round = byAngle(bolts)
  const n = round.length
  const step = Math.max(1, (n - 1) / 2)
  return round.flatMap((_, i) => round[(i * step) % n] ?? [])
}

/** Two across each other, then the two furthest from all before. One without another across it comes last. */
function acrossEachOther(bolts: readonly Bolt[]): readonly Bolt[] {
  const middle = middleOf(bolts)
  const left = [...bolts]
  const done: Bolt[] = []
  while (left.length > 0) {
    const next = furthest(left, done)
    if (!next) break
    const across = left
      .filter((one) => one !== next)
      .toSorted((a, b) => offAcross(a, next, middle) - offAcross(b, next, middle))[0]
    for (const one of across ? [next, across] : [next]) {
      left.splice(left.indexOf(one), 1)
      done.push(one)
    }
  }
  return done
}

/** How far one lies from the place across from another. */
const offAcross = (one: Bolt, other: Bolt, middle: Place) =>
  apart(one, { x: 2 * middle.x - other.x, y: 2 * middle.y - other.y })

/** The one whose nearest neighbour that is done is furthest off; the first laid before any is. */
function furthest(left: readonly Bolt[], done: readonly Bolt[]): Bolt | undefined {
  if (done.length === 0) return left[0]
  const off = (one: Bolt) => Math.min(...done.map((other) => apart(one, other)))
  return left.reduce<Bolt | undefined>((best, one) => (best && off(best) >= off(one) - 1e-9 ? best : one), undefined)
}

/** Nearest the middle first, and after each the one across from it. */
function fromMiddle(bolts: readonly Bolt[]): readonly Bolt[] {
  const middle = middleOf(bolts)
  const left = bolts.toSorted((a, b) => apart(a, middle) - apart(b, middle))
  const done: Bolt[] = []
  while (left.length > 0) {
    const [next] = left.splice(0, 1)
    if (!next) break
    done.push(next)
    const across = left.findIndex((one) => offAcross(one, next, middle) < 0.05)
    if (across >= 0) done.push(...left.splice(across, 1))
  }
  return done
}
