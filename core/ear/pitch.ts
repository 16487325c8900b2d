import { findHarmonics, type CanBe, type Harmonics } from './harmonics'
import { fitRinging, halvesApart, type FittedRinging } from './ringing'
import { decayOf, LOW_HZ, peaksOf, spectrumOf, type Peak } from './spectrum'

export type { CanBe } from './harmonics'

/** Whatever a run can be where nobody says: low chains to short belts. */
export const ANY_RUN: CanBe = { leastHz: 25, mostHz: 450 }

export type PitchRead =
  | {
      readonly is: 'heard'
      /** Of its lowest partial as it sounds. */
      readonly hz: number
      /** Two sigma. */
      readonly plusMinusHz: number
      readonly decayS: number
      /** The partials it was told by. */
      readonly partials: readonly { readonly n: number; readonly hz: number }[]
      /** By its partials it might be this instead. */
      readonly orHz: number | undefined
    }
  | { readonly is: 'refused'; readonly why: 'tooShort' | 'noise' | 'octave' }

/** Fewer periods than this tell no pitch. Ours. */
const LEAST_PERIODS = 3
/** Another reading of the partials that is nearly as good: which of them it is cannot be told. Ours. */
const AS_GOOD = 0.94
/** How finely pitch holds while a run rings down and its pull changes with it, as a share. Ours. */
const HOLDS_SHARE = 1e-5
/** What the fit of one partial leaves out: the pull of the others on it. Fitted to simulated plucks. Ours. */
const TOO_SURE = 1.12

/** The pitch of one pluck, from where it was plucked on; `hum`: that was taken out of it. Source: least squares of damped tones; its series by `findHarmonics`. */
export function findPitch(
  samples: Float64Array,
  sampleRate: number,
  { canBe = ANY_RUN, hum }: { readonly canBe?: CanBe; readonly hum?: 50 | 60 | undefined } = {},
): PitchRead {
  if (samples.length < 0.06 * sampleRate) return { is: 'refused', why: 'tooShort' }
  const decayS = decayOf(samples, sampleRate)
  const widthHz = Math.max(1 / (Math.PI * decayS), (0.7 * sampleRate) / samples.length)
  const used = samples.slice(0, Math.min(samples.length, Math.round(RINGS_FOR * decayS * sampleRate)))
  const rough = peaksOf(spectrumOf(used, sampleRate, decayS), Math.max(1.2 * widthHz, 6))
  // What is left in it when everything that rings is taken out is noise.
  const fits = fitRinging(
    used,
    sampleRate,
    rough.map(({ hz }) => hz),
    decayS,
  )
  const peaks = ringingPeaks(fits, used, sampleRate)
  const series = findHarmonics(peaks, widthHz / 2, canBe)
  const [best, second] = series
  if (!best) return { is: 'refused', why: 'noise' }
  const first = firstOf(best)
  if (used.length < (LEAST_PERIODS * sampleRate) / first) return { is: 'refused', why: 'tooShort' }
  if (second && second.score > AS_GOOD * best.score) return { is: 'refused', why: 'octave' }
  const told = best.partials.flatMap(({ n, peak }) => {
    const fit = fits.find(({ hz }) => hz === peak.hz)
    return fit ? [{ n, fit }] : []
  })
  const at = lowest(told, first, (fit) => fit.varPerNoise * noiseAt(used, sampleRate, fit, first))
  if (!at) return { is: 'refused', why: 'noise' }
  const drifts = drift(told, used, sampleRate, first)
  const plusMinusHz =
    2 * Math.hypot((byHum(at.hz, hum) ? BY_HUM : 1) * TOO_SURE * Math.sqrt(at.varHz), HOLDS_SHARE * at.hz, drifts)
  if (!(plusMinusHz < MOST_SHARE * at.hz)) return { is: 'refused', why: 'noise' }
  return {
    is: 'heard',
    hz: at.hz,
    plusMinusHz,
    decayS,
    partials: told.map(({ n, fit }) => ({ n, hz: fit.hz })),
    orHz: second && second.score > 0.6 * best.score ? firstOf(second) : undefined,
  }
}

/** What rang for so many of its decays is listened to. */
const RINGS_FOR = 4
const LEAST_GAIN = 9

/** Fitted partials as peaks, those that stand out of what is left. */
function ringingPeaks(fits: readonly FittedRinging[], rest: Float64Array, sampleRate: number): readonly Peak[] {
  const noise = rest.reduce((sum, one) => sum + one * one, 0) / rest.length
  return fits
    .map(({ hz, decay, cos, sin }) => ({ hz, gain: ((cos * cos + sin * sin) * sampleRate) / (8 * decay * noise) }))
    .filter(({ gain, hz }) => gain > LEAST_GAIN && hz > LOW_HZ)
    .toSorted((a, b) => b.gain - a.gain)
}

/** Close to hum that was taken out the ± is so much wider. Ours. */
const BY_HUM = 2.5
const byHum = (hz: number, hum: 50 | 60 | undefined) =>
  hum !== undefined && [1, 2, 3].some((times) => Math.abs(hz / (hum * times) - 1) < 0.03)

/** Both halves of a pluck sound alike where it is one: beyond this many sigma they do not, and the ± grows by what they are apart. Ours. */
const ALIKE = 2.4

/** What the halves of a pluck disagree by, Hz: another pluck came into it, or hum close to it. */
function drift(told: readonly Told[], rest: Float64Array, sampleRate: number, firstHz: number): number {
  const first = told.find(({ n }) => n === 1) ?? told[0]
  const apart = first && halvesApart(rest, sampleRate, first.fit)
  if (!first || !apart) return 0
  const sigma = Math.sqrt(apart.varPerNoise * noiseAt(rest, sampleRate, first.fit, firstHz))
  return Math.abs(apart.hz) > ALIKE * sigma ? Math.abs(apart.hz) / 1.4 / first.n : 0
}

/** A ± wider than this is no answer. Ours. */
const MOST_SHARE = 0.05

const firstOf = ({ hz, inharmonicity }: Harmonics) => hz * Math.sqrt(1 + inharmonicity)

interface Told {
  readonly n: number
  readonly fit: FittedRinging
}

/** The lowest partial by all of them: (f/n)² rises with n² where the run is stiff. Its own fit and that of the others are weighed by their ±. */
function lowest(
  told: readonly Told[],
  guessHz: number,
  varOf: (fit: FittedRinging) => number,
): { hz: number; varHz: number } | undefined {
  const first = told.find(({ n }) => n === 1)
  const own = first && { hz: first.fit.hz, varHz: varOf(first.fit) }
  const near = own && own.varHz > 0 && Math.abs(own.hz / guessHz - 1) < 0.03
  if (near && own.varHz < (FINE_SHARE * guessHz) ** 2) return own
  const good = told
    .filter(({ fit, n }) => Math.abs(fit.hz / n / guessHz - 1) < 0.6)
    .map(({ n, fit }) => ({ n, fit, varHz: n === 1 && own ? own.varHz : varOf(fit) }))
    .filter(({ varHz }) => varHz > 0)
  if (good.length < 3) return near ? own : undefined
  // y = (f/n)², x = n²: y = F + S·x; at n = 1 F + S.
  let [w0, w1, w2, y0, y1] = [0, 0, 0, 0, 0]
  for (const { n, fit, varHz } of good) {
    const y = (fit.hz / n) ** 2
    const weight = 1 / ((2 * fit.hz) / n ** 2) ** 2 / varHz
    const x = n * n - 1
    w0 += weight
    w1 += weight * x
    w2 += weight * x * x
    y0 += weight * y
    y1 += weight * x * y
  }
  const det = w0 * w2 - w1 * w1
  const y = (y0 * w2 - y1 * w1) / det
  const hz = Math.sqrt(y)
  return Number.isFinite(hz) ? { hz, varHz: w2 / det / (2 * hz) ** 2 } : undefined
}

/** Its own fit is taken alone where it is so fine. Ours. */
const FINE_SHARE = 0.002

/** The noise about a partial, per sample, by what no partial explains. */
function noiseAt(rest: Float64Array, sampleRate: number, { hz, decay }: FittedRinging, firstHz: number): number {
  const width = Math.max(decay / Math.PI, sampleRate / rest.length)
  const reach = Math.max(6 * width, 0.4 * firstHz)
  const about = powersAbout(rest, sampleRate, { hz, decay, reach })
  // Left close to the partial it is no noise: the same run rang anew, by another pluck over it.
  const close = powersAbout(rest, sampleRate, { hz, decay, reach: CLOSE * width })
  const left = Math.max(...close)
  return left > RANG_ANEW * middleOf(about) ? Math.max(meanOf(about), ANEW_COUNTS * left) : meanOf(about)
}

/** So many widths of a partial are close to it; what is left there is another pluck's where it is so much more than about it, and then counts so often: the
 *  two pull on one another at one phase and not by chance. Fitted to simulated plucks. Ours. */
const CLOSE = 2
const RANG_ANEW = 7
const ANEW_COUNTS = 5

function powersAbout(
  rest: Float64Array,
  sampleRate: number,
  { hz, decay, reach }: { readonly hz: number; readonly decay: number; readonly reach: number },
): readonly number[] {
  const places = Array.from({ length: 17 }, (_, i) => hz + ((i - 8) * reach) / 8).filter((at) => at >= 15)
  return places.map((at) => powerAt(rest, sampleRate, at, decay))
}
const meanOf = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / Math.max(1, list.length)
const middleOf = (list: readonly number[]) => list.toSorted((a, b) => a - b)[list.length >> 1] ?? 0

function powerAt(rest: Float64Array, sampleRate: number, hz: number, decay: number): number {
  const w = (2 * Math.PI * hz) / sampleRate
  const fade = Math.exp(-decay / sampleRate)
  const [dc, ds] = [fade * Math.cos(w), fade * Math.sin(w)]
  let [c, s, re, im, ww] = [1, 0, 0, 0, 0]
  for (let i = 0; i < rest.length; i++) {
    const x = rest[i] as number
    re += x * c
    im += x * s
    ww += c * c + s * s
    const next = c * dc - s * ds
    s = s * dc + c * ds
    c = next
  }
  return (re * re + im * im) / ww
}
