import type { FollowerOfJob } from './followerOfJob'

/** Several lobes of one shaft that open at different places. */
export interface LobeSpread {
  /** Each cylinder with its last reading that holds, in the unit of the aim. */
  readonly lobes: readonly { readonly cylinderId: string; readonly value: number; readonly plusMinus: number }[]
  readonly spread: number
  /** Of the difference of the two furthest apart, two sigma. */
  readonly plusMinus: number
  readonly sure: boolean
}

/** How far the lobes of a breaker or distributor open apart: more than their ± is a shaft that is worn or bent, or a lobe that is. Undefined with fewer than two cylinders read. */
export function lobeSpread({ readings }: Pick<FollowerOfJob, 'readings'>): LobeSpread | undefined {
  const last = new Map<string, { cylinderId: string; value: number; plusMinus: number }>()
  for (const { entry, value, plusMinus, stale } of readings)
    if (value !== undefined && stale === undefined && entry.by !== 'lift')
      last.set(entry.cylinderId, { cylinderId: entry.cylinderId, value, plusMinus })
  const lobes = [...last.values()]
  const sorted = lobes.toSorted((a, b) => a.value - b.value)
  const [low, high] = [sorted[0], sorted.at(-1)]
  if (!low || !high || lobes.length < 2) return undefined
  const spread = high.value - low.value
  const plusMinus = Math.hypot(low.plusMinus, high.plusMinus)
  return { lobes, spread, plusMinus, sure: spread > plusMinus }
}
