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
  /** At `atX`, and by the ± of its slope between the two others; the later undefined where it may not reach it at all. */
  | {
      readonly kind: 'reaches'
      readonly perX: number
      readonly atX: number
      readonly earliestX: number
      readonly latestX: number | undefined
    }
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
  if (atX > mostX) return { kind: 'tooFar', perX, mostX }
  // Two sigma of the slope and of the middle either way.
  const [slopeOff, middleOff] = [2 / Math.sqrt(sxx), 2 / Math.sqrt(total)]
  const reaches = (slope: number, middle: number) => (slope > 0 ? mx + (limit - middle) / slope : undefined)
  const earliestX = Math.max(last.x, reaches(perX + slopeOff, my + middleOff) ?? last.x)
  const latest = reaches(perX - slopeOff, my - middleOff)
  return {
    kind: 'reaches',
    perX,
    atX: Math.max(atX, last.x),
    earliestX,
    latestX: latest === undefined || latest > mostX ? undefined : latest,
  }
}
