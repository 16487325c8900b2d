import type { CamToSet, MoveProblem } from './moves'
import { choicesBeside, wrap, type Ways } from './waysOfCam'

/** So many of the best stretches are handed on to be settled with everything else. */
const MOST_CANDIDATES = 8
/** No more slides than this come of one mover: the best stretches, and what would do without any step of up to so many camshafts. */
export const MOST_SLIDES = 24

/** How far something stepless that moves several camshafts at once may be slid: between the places where one of them would do better by another of its
 *  own steps the sum of squares is a parabola, so each such stretch has its own best, and the best of these is the best of all. With them
 *  what would do without any step. Degrees later. Source: piecewise least squares; exact where no camshaft has a slide of its own. */
export function sharedSlides(
  { mover: { by }, camIds }: MoveProblem['shared'][number],
  cams: readonly CamToSet[],
  ways: readonly Ways[],
  lateDegs: readonly number[],
  cycleDeg: number,
): number[] {
  if (by.kind !== 'range') return []
  const most = by.mostDeg
  const clamp = (deg: number, least = -most, top = most) => Math.min(top, Math.max(least, deg))
  const group = cams.flatMap(({ id, weight }, i) => {
    const late = wrap(lateDegs[i] ?? 0, cycleDeg)
    const { places: own = [], beside = [] } = ways[i] ?? {}
    const places = [...choicesBeside(beside)]
      .flatMap((other) => own.map(({ laterDeg }) => wrap(late + laterDeg + other.laterDeg, cycleDeg)))
      .sort((a, b) => a - b)
    return camIds.includes(id) && places.length > 0 ? [{ weight, late, places }] : []
  })
  const total = group.reduce((sum, { weight }) => sum + weight, 0)
  if (total === 0) return []
  const edges = [
    ...new Set([
      -most,
      ...group.flatMap(({ places }) =>
        places.slice(1).flatMap((place, k) => {
          const edge = -(place + (places[k] ?? 0)) / 2
          return Math.abs(edge) < most ? [edge] : []
        }),
      ),
      most,
    ]),
  ].sort((a, b) => a - b)
  const stretches = edges.slice(1).map((to, k) => {
    const from = edges[k] ?? -most
    const own = group.map(({ weight, places }) => ({ weight, place: nearest(places, -(from + to) / 2) }))
    const deg = clamp(-own.reduce((sum, { weight, place }) => sum + weight * place, 0) / total, from, to)
    return { deg, misses: own.reduce((sum, { weight, place }) => sum + weight * (place + deg) ** 2, 0) }
  })
  const best = stretches.sort((a, b) => a.misses - b.misses || Math.abs(a.deg) - Math.abs(b.deg))
  const unstepped = group.reduce((sum, { weight, late }) => sum + weight * late, 0) / total
  const plain = [unstepped, ...group.map(({ late }) => late)].map((late) => clamp(-late))
  return [...new Set([...best.slice(0, MOST_CANDIDATES).map(({ deg }) => deg), ...plain])].filter(
    (deg) => Math.abs(deg) > 1e-9,
  )
}

/** Of places in order the one nearest to a value. */
function nearest(places: readonly number[], to: number): number {
  let [low, high] = [0, places.length - 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((places[middle] ?? 0) < to) low = middle
    else high = middle
  }
  const [a, b] = [places[low] ?? 0, places[high] ?? 0]
  return Math.abs(a - to) <= Math.abs(b - to) ? a : b
}
