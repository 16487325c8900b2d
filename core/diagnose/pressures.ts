import type { EntryOf } from '../model/entry'

/** Of the highest cylinder: under so much the lowest is weak, from so much on they are even. Common practice, no source. */
export const WEAK_SHARE = 0.75
export const EVEN_SHARE = 0.85
/** Of the air a cylinder is fed: over so much leaks too much, up to so much is usual. Common practice, no source. */
export const LEAKS_PERCENT = 25
export const TIGHT_PERCENT = 15

export type PressureVerdict = 'even' | 'watch' | 'weak' | 'single'

export interface PressureSpread {
  readonly what: EntryOf<'pressure'>['what']
  readonly lowestId: string
  /** The lowest over the highest; of leaks the most that leaks, per cent. */
  readonly share: number
  readonly verdict: PressureVerdict
  readonly read: number
}

/** How the cylinders compare by what was read of one sort, dry; undefined where nothing was. One cylinder alone has nothing to be held against, but for
 *  what leaks. */
export function spreadOf(
  pressures: readonly EntryOf<'pressure'>[],
  what: EntryOf<'pressure'>['what'],
): PressureSpread | undefined {
  const own = pressures.filter((one) => one.what === what && !one.wet)
  if (what === 'leakDown') {
    const leaks = own.flatMap(({ cylinderId, percent }) =>
      percent === undefined ? [] : [{ cylinderId, value: percent }],
    )
    const most = leaks.toSorted((a, b) => b.value - a.value)[0]
    if (!most) return undefined
    const verdict = most.value > LEAKS_PERCENT ? 'weak' : most.value > TIGHT_PERCENT ? 'watch' : 'even'
    return { what, lowestId: most.cylinderId, share: most.value, verdict, read: leaks.length }
  }
  const read = own.flatMap(({ cylinderId, bar }) => (bar === undefined ? [] : [{ cylinderId, value: bar }]))
  const sorted = read.toSorted((a, b) => a.value - b.value)
  const [lowest, highest] = [sorted[0], sorted.at(-1)]
  if (!lowest || !highest) return undefined
  const share = highest.value > 0 ? lowest.value / highest.value : 0
  const verdict =
    new Set(read.map(({ cylinderId }) => cylinderId)).size < 2
      ? 'single'
      : share < WEAK_SHARE
        ? 'weak'
        : share < EVEN_SHARE
          ? 'watch'
          : 'even'
  return { what, lowestId: lowest.cylinderId, share, verdict, read: read.length }
}
