/** The rate that the ear works at: partials up to 2 kHz. */
export const EAR_RATE = 4800
const TAPS_PER_STEP = 10

/** Sound at a whole fraction of its rate, what lies above half of that taken out first. Source: windowed-sinc low pass. */
export function decimate(samples: Float32Array, sampleRate: number): { samples: Float64Array; sampleRate: number } {
  const step = Math.max(1, Math.floor(sampleRate / EAR_RATE))
  if (step === 1) return { samples: Float64Array.from(samples), sampleRate }
  const half = TAPS_PER_STEP * step
  const taps = new Float64Array(2 * half + 1)
  let sum = 0
  for (let i = -half; i <= half; i++) {
    const x = (0.9 * i) / step
    const sinc = x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x)
    const window = 0.54 + 0.46 * Math.cos((Math.PI * i) / half)
    taps[i + half] = sinc * window
    sum += sinc * window
  }
  const n = Math.floor(samples.length / step)
  const out = new Float64Array(n)
  for (let k = 0; k < n; k++) {
    const centre = k * step
    const from = Math.max(0, centre - half)
    const to = Math.min(samples.length - 1, centre + half)
    let value = 0
    for (let i = from; i <= to; i++) value += (samples[i] as number) * (taps[i - centre + half] as number)
    out[k] = value / sum
  }
  return { samples: out, sampleRate: sampleRate / step }
}
