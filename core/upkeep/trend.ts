export interface Point {
  readonly x: number
  readonly y: number
  /** One sigma of y. */
  readonly sigma: number
}

export type Trend =
  | { readonly kind: 'tooFew' }
  /** It does not grow, or not more than its ± could hide. */
  | { readonly kind: 'flat'; readonly perX: number }
  /** It reaches the limit later than may be told from so little. */
  | { readonly kind: 'tooFar'; readonly perX: number; readonly mostX: number }
  | { readonly kind: 'reaches'; readonly perX: number; readonly atX: number }
  | { readonly kind: 'past'; readonly perX: number }

/** Fewer visits than this tell no trend, and none is told further than half as long again. Ours. */
export const LEAST_POINTS = 4
const FURTHER = 0.5

/** Where what was measured at several visits reaches a limit, by the straight line through it, weighed by its ±. Source: weighted least squares. */
export function trendOf(points: readonly Point[], limit: number): Trend {
  const sorted = points.toSorted((a, b) => a.x - b.x)
  const [first, last] = [sorted[0], sorted.at(-1)]
  if (sorted.length < LEAST_POINTS || !first || !last || last.x <= first.x) return { kind: 'tooFew' }
  const weight = ({ sigma }: Point) => 1 / Math.max(sigma, 1e-3) ** 2
  const total = sorted.reduce((sum, one) => sum + weight(one), 0)
  const mean = (of: (one: Point) => number) => sorted.reduce((sum, one) => sum + weight(one) * of(one), 0) / total
  const [mx, my] = [mean(({ x }) => x), mean(({ y }) => y)]
  const sxx = sorted.reduce((sum, one) => sum + weight(one) * (one.x - mx) ** 2, 0)
  const perX = sorted.reduce((sum, one) => sum + weight(one) * (one.x - mx) * (one.y - my), 0) / sxx
  if (last.y >= limit) return { kind: 'past', perX }
  // Two sigma of the slope.
  if (perX <= 2 / Math.sqrt(sxx)) return { kind: 'flat', perX }
  const atX = mx + (limit - my) / perX
  const mostX = last.x + FURTHER * (last.x - first.x)
  return atX > mostX ? { kind: 'tooFar', perX, mostX } : { kind: 'reaches', perX, atX: Math.max(atX, last.x) }
}
