import FFT from 'fft.js'

export interface Peak {
  readonly hz: number
  /** Its energy over that of the noise there. */
  readonly gain: number
}

export interface Spectrum {
  readonly stepHz: number
  /** Energy over that of the noise, per step. */
  readonly gains: Float64Array
}

const plans = new Map<number, FFT>()
function planOf(size: number): FFT {
  const known = plans.get(size)
  if (known) return known
  const plan = new FFT(size)
  plans.set(size, plan)
  return plan
}

export const [LOW_HZ, HIGH_HZ] = [22, 2000]

/** The spectrum of a sound that rings down, weighed as it rings: what comes early counts most. Energies are told against the noise, which is taken from the middle of all
 *  steps. Source: the matched filter; median noise floor. */
export function spectrumOf(samples: Float64Array, sampleRate: number, decayS: number): Spectrum {
  let size = 4096
  while (size < 2 * samples.length && size < 16_384) size *= 2
  const plan = planOf(size)
  const input = new Array<number>(size).fill(0)
  const n = Math.min(samples.length, size)
  for (let i = 0; i < n; i++) input[i] = (samples[i] as number) * Math.exp(-i / sampleRate / decayS)
  const out = plan.createComplexArray()
  plan.realTransform(out, input)
  const stepHz = sampleRate / size
  const steps = Math.min(size / 2, Math.ceil(HIGH_HZ / stepHz))
  const powers = new Float64Array(steps)
  for (let k = 0; k < steps; k++) powers[k] = (out[2 * k] as number) ** 2 + (out[2 * k + 1] as number) ** 2
  const low = Math.floor(LOW_HZ / stepHz)
  const sorted = powers.slice(low).toSorted()
  const floor = Math.max((sorted[Math.floor(sorted.length / 2)] ?? 0) / Math.LN2, 1e-30)
  for (let k = 0; k < steps; k++) powers[k] = (powers[k] as number) / floor
  return { stepHz, gains: powers }
}

/** Fainter than this against the strongest a peak is taken for nothing: a partial may be 20 dB under it. */
const FAINTEST = 10 ** -3.3
const LEAST_GAIN = 9
const MOST_PEAKS = 16

/** What stands out of a spectrum, strongest first. */
export function peaksOf({ stepHz, gains }: Spectrum, apartHz: number): readonly Peak[] {
  const found: Peak[] = []
  let strongest = 0
  for (let k = Math.floor(LOW_HZ / stepHz); k < gains.length; k++) strongest = Math.max(strongest, gains[k] as number)
  const least = Math.max(LEAST_GAIN, FAINTEST * strongest)
  for (let k = Math.max(1, Math.floor(LOW_HZ / stepHz)); k < gains.length - 1; k++) {
    const [before, here, after] = [gains[k - 1] as number, gains[k] as number, gains[k + 1] as number]
    if (here < least || here < before || here <= after) continue
    const [a, b, c] = [Math.log(before), Math.log(here), Math.log(after)]
    const shift = (a - c) / (2 * (a - 2 * b + c))
    found.push({ hz: (k + (Number.isFinite(shift) ? shift : 0)) * stepHz, gain: here })
  }
  const sorted = found.toSorted((a, b) => b.gain - a.gain)
  const kept: Peak[] = []
  for (const peak of sorted) {
    if (kept.length === MOST_PEAKS) break
    if (kept.every((one) => Math.abs(one.hz - peak.hz) > apartHz)) kept.push(peak)
  }
  return kept
}

/** Seconds until what rings has fallen to 1/e, by how its energy comes in. */
export function decayOf(samples: Float64Array, sampleRate: number): number {
  const n = samples.length
  const tail = Math.max(1, Math.floor(n / 8))
  let noise = 0
  for (let i = n - tail; i < n; i++) noise += (samples[i] as number) ** 2
  noise /= tail
  let all = 0
  for (let i = 0; i < n; i++) all += (samples[i] as number) ** 2 - noise
  let so = 0
  for (let i = 0; i < n; i++) {
    so += (samples[i] as number) ** 2 - noise
    if (so >= all * (1 - 1 / Math.E)) return Math.min(1.5, Math.max(0.03, (2 * i) / sampleRate))
  }
  return 0.2
}
