/** Mains hum and its two harmonics, fitted over all of the sound and taken out where it is there. Returns which mains was found. */
export function takeOutHum(
  samples: Float64Array,
  sampleRate: number,
  quiet: readonly (readonly [number, number])[],
): 50 | 60 | undefined {
  let found: 50 | 60 | undefined
  for (const mains of [50, 60] as const)
    for (const times of [1, 2, 3]) {
      const hz = fineHz(samples, sampleRate, mains * times, quiet)
      const tone = fitTone(samples, sampleRate, hz, quiet)
      if (!tone || tone.power < LINE_GAINS * tone.noise) continue
      const step = (2 * Math.PI * hz) / sampleRate
      for (let i = 0; i < samples.length; i++)
        samples[i] = (samples[i] ?? 0) - tone.cos * Math.cos(step * i) - tone.sin * Math.sin(step * i)
      if (times === 1) found = mains
    }
  return found
}

/** A line is taken out when it stands so far out of the noise beside it. */
const LINE_GAINS = 12
/** The mains wanders by so much, as a share. */
const WANDERS = 0.0015

function fineHz(
  samples: Float64Array,
  sampleRate: number,
  hz: number,
  quiet: readonly (readonly [number, number])[],
): number {
  let best = { hz, power: -1 }
  for (let k = -3; k <= 3; k++) {
    const at = hz * (1 + (WANDERS * k) / 3)
    const power = fitTone(samples, sampleRate, at, quiet)?.power ?? 0
    // As it should be, unless another is clearly stronger.
    if (power > best.power * (k === 0 ? 0.98 : 1.02)) best = { hz: at, power }
  }
  return best.hz
}

function fitTone(
  samples: Float64Array,
  sampleRate: number,
  hz: number,
  quiet: readonly (readonly [number, number])[],
): { cos: number; sin: number; power: number; noise: number } | undefined {
  let [cc, ss, cs, xc, xs, xx, n] = [0, 0, 0, 0, 0, 0, 0]
  const step = (2 * Math.PI * hz) / sampleRate
  for (const [from, to] of quiet) {
    let [c, s] = [Math.cos(step * from), Math.sin(step * from)]
    const [dc, ds] = [Math.cos(step), Math.sin(step)]
    for (let i = from; i < to; i++) {
      const x = samples[i] as number
      cc += c * c
      ss += s * s
      cs += c * s
      xc += x * c
      xs += x * s
      xx += x * x
      n++
      const next = c * dc - s * ds
      s = s * dc + c * ds
      c = next
    }
  }
  const det = cc * ss - cs * cs
  if (n < sampleRate / 20 || det < 1e-12) return undefined
  const cos = (xc * ss - xs * cs) / det
  const sin = (xs * cc - xc * cs) / det
  const power = cos * xc + sin * xs
  return { cos, sin, power, noise: Math.max(xx - power, 1e-12) / n }
}
