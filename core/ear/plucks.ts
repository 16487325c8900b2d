/** A stretch of sound from one pluck to the next, in samples. */
export interface PluckAt {
  readonly from: number
  readonly to: number
}

/** Compared before and after a moment, s. */
const WINDOW_S = 0.04
const HOP_S = 0.004
/** What comes after a pluck is so much louder than what was before it. Ours. */
const RISES = 3
/** And so much louder than it ever is where nobody plucks. Ours. */
const STANDS_OUT = 2.2
const APART_S = 0.12
const LONGEST_S = 2.5

/** Where a sound was plucked: moments after which it is suddenly louder. Source: energy before against energy after, ours. */
export function findPlucks(samples: Float64Array, sampleRate: number): readonly PluckAt[] {
  const window = Math.round(WINDOW_S * sampleRate)
  const hop = Math.max(1, Math.round(HOP_S * sampleRate))
  const total = new Float64Array(samples.length + 1)
  for (let i = 0; i < samples.length; i++) total[i + 1] = (total[i] as number) + (samples[i] as number) ** 2
  const energy = (from: number, to: number) => {
    const [a, b] = [Math.max(0, from), Math.min(samples.length, to)]
    return b > a ? ((total[b] as number) - (total[a] as number)) / (b - a) : 0
  }
  const count = Math.floor((samples.length - window) / hop)
  const after = Array.from({ length: Math.max(0, count) }, (_, k) => energy(k * hop, k * hop + window))
  const floor = after.toSorted((a, b) => a - b)[Math.floor(after.length / 20)] ?? 0
  const rise = after.map((now, k) => now / Math.max(energy(k * hop - window, k * hop), floor, 1e-20))
  const near = Math.round(APART_S / HOP_S)
  const found: number[] = []
  rise.forEach((value, k) => {
    if (k === 0 || value < RISES || (after[k] ?? 0) < STANDS_OUT * floor) return
    for (let j = Math.max(0, k - near); j <= Math.min(rise.length - 1, k + near); j++)
      if ((rise[j] ?? 0) > value || (rise[j] === value && j < k)) return
    found.push(k * hop)
  })
  return found.map((from, i) => {
    const next = found[i + 1] ?? samples.length
    return { from, to: Math.min(next - hop, from + Math.round(LONGEST_S * sampleRate), samples.length) }
  })
}

/** Where nothing rings: before the first pluck, and the end of what has rung down. */
export function quietParts(samples: Float64Array, plucks: readonly PluckAt[], sampleRate: number): [number, number][] {
  const margin = Math.round(0.01 * sampleRate)
  const least = Math.round(0.08 * sampleRate)
  const [first] = plucks
  if (!first) return [[0, samples.length]]
  const parts: [number, number][] = [[0, first.from - margin]]
  plucks.forEach(({ from, to }, i) => {
    const end = plucks[i + 1]?.from ?? samples.length
    parts.push([Math.max(from + Math.round(1.2 * sampleRate), to - Math.round(0.1 * sampleRate)), end - margin])
  })
  const long = parts.filter(([from, to]) => to - from >= least)
  return long
}
