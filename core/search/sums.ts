/** Leftovers that differ by less than this are the same: rounding of the sums, and nothing that can be read. Degrees squared. */
export const SAME = 1e-9

export interface Worth {
  readonly misses: number
  readonly effort: number
}

/** The k smallest sums of one from each list, lists sorted. */
export function smallestSums<T extends Worth>(lists: readonly (readonly T[])[], best: number): T[][] {
  return lists.reduce<T[][]>(
    (so, list) =>
      so
        .flatMap((head) => list.map((one) => [...head, one]))
        .sort((a, b) => byWorth(sumOf(a), sumOf(b)))
        .slice(0, best),
    [[]],
  )
}

export const sumOf = (all: readonly Worth[]): Worth => ({
  misses: all.reduce((sum, one) => sum + one.misses, 0),
  effort: all.reduce((sum, one) => sum + one.effort, 0),
})

export const frontOfSums = <T extends Worth>(fronts: readonly (readonly T[])[]): T[][] =>
  fronts.reduce<T[][]>(
    (so, list) =>
      unbeaten(so.flatMap((head) => list.map((one) => [...head, one])).map((all) => ({ all, ...sumOf(all) }))).map(
        ({ all }) => all,
      ),
    [[]],
  )

/** Those that no other beats in both what is left and trouble, the least trouble first. */
export function unbeaten<T extends { readonly misses: number; readonly effort: number }>(all: readonly T[]): T[] {
  const sorted = [...all].sort((a, b) => a.effort - b.effort || a.misses - b.misses)
  let least = Infinity
  return sorted.filter(({ misses }) => {
    if (misses >= least - SAME) return false
    least = misses
    return true
  })
}

export const byWorth = (a: { misses: number; effort: number }, b: { misses: number; effort: number }) =>
  Math.abs(a.misses - b.misses) > SAME ? a.misses - b.misses : a.effort - b.effort
