import type { Peak } from './spectrum'

/** A run's own partials among the peaks of a sound. */
export interface Harmonics {
  readonly hz: number
  readonly inharmonicity: number
  /** By number of the partial, from 1. */
  readonly partials: readonly { readonly n: number; readonly peak: Peak }[]
  readonly score: number
}

export interface CanBe {
  readonly leastHz: number
  readonly mostHz: number
}

const MOST_INHARMONICITY = 0.013
const MOST_PARTIALS = 12
/** What an empty place among the partials takes off, of what one that is there gives. Ours. */
const EMPTY_COSTS = 0.6

const atPartial = (hz: number, b: number, n: number) => n * hz * Math.sqrt(1 + b * n * n)

/** Every series of partials that two peaks could belong to, the best first: many peaks met and few places empty. An octave too low leaves every other place empty; one too
 *  high leaves every other peak over. Source: the stiff string, Fletcher 1964; the score is ours. */
export function findHarmonics(peaks: readonly Peak[], widthHz: number, canBe: CanBe): readonly Harmonics[] {
  const found: Harmonics[] = []
  const take = (hz: number, b: number) => {
    if (hz < canBe.leastHz || hz > canBe.mostHz) return
    const series = seriesOf(peaks, hz, b, widthHz)
    if (series) found.push(series)
  }
  const strong = peaks.slice(0, 10)
  for (const peak of strong) for (let n = 1; n <= 4; n++) take(peak.hz / n, 0)
  for (const a of strong)
    for (const c of strong) {
      if (a.hz >= c.hz) continue
      for (let n = 1; n < 8; n++)
        for (let m = n + 1; m <= MOST_PARTIALS; m++) {
          const [fa, fc] = [(a.hz / n) ** 2, (c.hz / m) ** 2]
          // (f/n)² = f0²·(1 + B·n²), twice.
          const fb = (fc - fa) / (m * m - n * n)
          const f2 = fa - fb * n * n
          const b = fb / f2
          if (f2 > 0 && b > -4e-4 && b < MOST_INHARMONICITY) take(Math.sqrt(f2), Math.max(0, b))
        }
    }
  const sorted = found.toSorted((a, b) => b.score - a.score)
  const apart: Harmonics[] = []
  for (const one of sorted) {
    if (apart.length === 6) break
    const first = atPartial(one.hz, one.inharmonicity, 1)
    if (apart.every((other) => Math.abs(first / atPartial(other.hz, other.inharmonicity, 1) - 1) > 0.02))
      apart.push(one)
  }
  return apart
}

function seriesOf(peaks: readonly Peak[], hz: number, b: number, widthHz: number): Harmonics | undefined {
  const partials: { n: number; peak: Peak }[] = []
  let last = 0
  for (let n = 1; n <= MOST_PARTIALS; n++) {
    const at = atPartial(hz, b, n)
    if (at > 2000) break
    const off = Math.max(1.2 * widthHz, 0.004 * at)
    let best: Peak | undefined
    for (const peak of peaks) if (Math.abs(peak.hz - at) < off && (!best || peak.gain > best.gain)) best = peak
    if (!best) continue
    partials.push({ n, peak: best })
    last = n
  }
  if (partials.length === 0) return undefined
  const worth = partials.reduce((sum, { peak }) => sum + Math.log(1 + peak.gain / 4), 0)
  const empty = last - partials.length
  return { hz, inharmonicity: b, partials, score: worth - (EMPTY_COSTS * empty * worth) / partials.length }
}
