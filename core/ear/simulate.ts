import { gaussian, makeRandom } from '../random'

/** A plucked run as a string with some stiffness sounds: its partials at n·f0·sqrt(1 + B·n²), each ringing down. */
export interface PluckedString {
  readonly hz: number
  /** Of its stiffness: 0 is a string. */
  readonly inharmonicity: number
  /** Strength of each partial, the first first. */
  readonly partials: readonly number[]
  /** Seconds until the first has rung down to 1/e; higher ones a little sooner. */
  readonly decayS: number
}

/** The pitch of its n-th partial as it sounds, Hz. Source: stiff strings, Fletcher 1964. */
export const partialHz = ({ hz, inharmonicity }: Pick<PluckedString, 'hz' | 'inharmonicity'>, n: number) =>
  n * hz * Math.sqrt(1 + inharmonicity * n * n)

export interface SimulatedSound {
  readonly string: PluckedString
  /** When it is plucked, s. */
  readonly pluckedAtS: readonly number[]
  readonly lengthS: number
  readonly sampleRate: number
  /** Energy of a pluck over that of everything else, first half second, 20 Hz to 2 kHz. */
  readonly snrDb: number
  /** Of the noise, how much is hum, and at which mains. */
  readonly hum?: { readonly hz: 50 | 60; readonly share: number } | undefined
  readonly seed: number
}

/** How much sooner each higher partial has rung down. */
const SOONER = 0.08
const LOUDNESS_S = 0.5
const [LOW_HZ, HIGH_HZ] = [20, 2000]

/** What a microphone beside a plucked run would hear, seeded: for the simulated microphone, and for the tests of the ear. */
export function simulateSound(sound: SimulatedSound): Float32Array {
  const { string, pluckedAtS, lengthS, sampleRate, snrDb, hum, seed } = sound
  const random = makeRandom(seed)
  const n = Math.round(lengthS * sampleRate)
  const samples = new Float64Array(n)
  const pluck = onePluck(string, sampleRate, random)
  for (const at of pluckedAtS) {
    const from = Math.round(at * sampleRate)
    const strength = pluckedAtS.length > 1 ? 0.7 + 0.6 * random() : 1
    for (let i = 0; i < pluck.length && from + i < n; i++)
      samples[from + i] = (samples[from + i] ?? 0) + strength * (pluck[i] ?? 0)
  }
  const head = Math.min(pluck.length, Math.round(LOUDNESS_S * sampleRate))
  let energy = 0
  for (let i = 0; i < head; i++) energy += (pluck[i] ?? 0) ** 2
  const noisePower = energy / Math.round(LOUDNESS_S * sampleRate) / 10 ** (snrDb / 10)
  const humShare = hum?.share ?? 0
  // White noise; only what lies between 20 Hz and 2 kHz counts as noise.
  const inBand = (HIGH_HZ - LOW_HZ) / (sampleRate / 2)
  const sigma = Math.sqrt((noisePower * (1 - humShare)) / Math.min(1, inBand))
  for (let i = 0; i < n; i++) samples[i] = (samples[i] ?? 0) + sigma * gaussian(random)
  if (hum) addHum(samples, { hz: hum.hz, power: noisePower * humShare, sampleRate, random })
  const loudest = samples.reduce((most, one) => Math.max(most, Math.abs(one)), 1e-9)
  return Float32Array.from(samples, (one) => (0.8 * one) / loudest)
}

function onePluck(string: PluckedString, sampleRate: number, random: () => number): Float64Array {
  const length = Math.round(Math.min(8 * string.decayS, 6) * sampleRate)
  const out = new Float64Array(length)
  string.partials.forEach((strength, i) => {
    const hz = partialHz(string, i + 1)
    if (hz >= HIGH_HZ || hz >= sampleRate / 2) return
    const decayS = string.decayS / (1 + SOONER * i)
    const phase = 2 * Math.PI * random()
    for (let k = 0; k < length; k++) {
      const t = k / sampleRate
      out[k] = (out[k] ?? 0) + strength * Math.exp(-t / decayS) * Math.cos(2 * Math.PI * hz * t + phase)
    }
  })
  return out
}

/** Workshop hum: the mains with two harmonics. */
function addHum(
  samples: Float64Array,
  { hz, power, sampleRate, random }: { hz: number; power: number; sampleRate: number; random: () => number },
): void {
  const strengths = [1, 0.5, 0.35]
  const scale = Math.sqrt((2 * power) / strengths.reduce((sum, one) => sum + one * one, 0))
  strengths.forEach((strength, i) => {
    const phase = 2 * Math.PI * random()
    const step = (2 * Math.PI * hz * (i + 1)) / sampleRate
    for (let k = 0; k < samples.length; k++)
      samples[k] = (samples[k] ?? 0) + scale * strength * Math.cos(step * k + phase)
  })
}

/** Draws a plucked run as the acceptance of the ear has it: f0 30 to 400 Hz, decay 0.1 to 1 s and six periods at least, B to 0.01, the first partial to 20 dB under the
 *  strongest. */
export function drawString(random: () => number): PluckedString {
  const hz = 30 + 370 * random()
  const decayS = Math.max(0.1 + 0.9 * random(), 6 / hz)
  const inharmonicity = 0.01 * random()
  const first = 10 ** -random()
  const count = 5 + Math.floor(5 * random())
  const strongest = 1 + Math.floor(3 * random())
  const partials = Array.from({ length: count }, (_, i) =>
    i === 0 ? first : i === strongest ? 1 : 10 ** -(0.1 + 1.2 * random() * (0.5 + i / count)),
  )
  return { hz, inharmonicity, partials, decayS }
}
