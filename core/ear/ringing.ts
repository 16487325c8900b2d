/** One partial as it rings: pitch, decay, and how strong at the beginning. */
export interface Ringing {
  readonly hz: number
  /** 1/s. */
  readonly decay: number
  readonly cos: number
  readonly sin: number
}

export interface FittedRinging extends Ringing {
  /** Of its pitch, for noise of power 1 per sample, Hz². */
  readonly varPerNoise: number
}

/** Steps of each partial, round by round. */
const STEPS = [2, 1, 1] as const

/** Fits what rings, partial by partial, each against the sound less all the others, round and round. In place: leaves in `samples` what no partial explains. Source: least
 *  squares of damped tones by Gauss and Newton, one after the other (RELAX, Li and Stoica 1996). */
export function fitRinging(
  samples: Float64Array,
  sampleRate: number,
  startHz: readonly number[],
  decayS: number,
): readonly FittedRinging[] {
  let fits: FittedRinging[] = startHz.map((hz) => ({ hz, decay: 1 / decayS, cos: 0, sin: 0, varPerNoise: 0 }))
  for (const steps of STEPS)
    fits = fits.map((fit) => {
      if (fit.cos !== 0 || fit.sin !== 0) add(samples, sampleRate, fit, 1)
      let next = fit
      for (let step = 0; step < steps; step++) next = gaussNewton(samples, sampleRate, next)
      add(samples, sampleRate, next, -1)
      return next
    })
  return fits
}

function add(samples: Float64Array, sampleRate: number, { hz, decay, cos, sin }: Ringing, sign: 1 | -1): void {
  const w = (2 * Math.PI * hz) / sampleRate
  const fade = Math.exp(-decay / sampleRate)
  const [dc, ds] = [fade * Math.cos(w), fade * Math.sin(w)]
  let [c, s] = [1, 0]
  for (let i = 0; i < samples.length; i++) {
    samples[i] = (samples[i] as number) + sign * (cos * c + sin * s)
    const next = c * dc - s * ds
    s = s * dc + c * ds
    c = next
  }
}

/** One step: strengths, pitch and decay together, linear about where they are. */
function gaussNewton(samples: Float64Array, sampleRate: number, at: FittedRinging): FittedRinging {
  const w = (2 * Math.PI * at.hz) / sampleRate
  const fade = Math.exp(-at.decay / sampleRate)
  const [dc, ds] = [fade * Math.cos(w), fade * Math.sin(w)]
  const first = at.cos === 0 && at.sin === 0
  // Sums over e^{-2dt}: 1, t and t² times cos², sin², cos·sin; and of the sound.
  let [cc, ss, cs, xc, xs] = [0, 0, 0, 0, 0]
  let [tcc, tss, tcs, xtc, xts] = [0, 0, 0, 0, 0]
  let [ucc, uss, ucs] = [0, 0, 0]
  let [c, s] = [1, 0]
  for (let i = 0; i < samples.length; i++) {
    const x = samples[i] as number
    const t = i / sampleRate
    const c2 = c * c
    const s2 = s * s
    const sc = c * s
    cc += c2
    ss += s2
    cs += sc
    xc += x * c
    xs += x * s
    if (!first) {
      tcc += t * c2
      tss += t * s2
      tcs += t * sc
      xtc += x * t * c
      xts += x * t * s
      const t2 = t * t
      ucc += t2 * c2
      uss += t2 * s2
      ucs += t2 * sc
    }
    const next = c * dc - s * ds
    s = s * dc + c * ds
    c = next
  }
  if (first) {
    const det = cc * ss - cs * cs
    return { ...at, cos: (xc * ss - xs * cs) / det, sin: (xs * cc - xc * cs) / det }
  }
  const [a, b] = [at.cos, at.sin]
  // Columns: c, s, d/dw = t(-a s + b c), d/ddecay = -t(a c + b s).
  const m = [
    [cc, cs, b * tcc - a * tcs, -(a * tcc + b * tcs), xc],
    [cs, ss, b * tcs - a * tss, -(a * tcs + b * tss), xs],
    [
      b * tcc - a * tcs,
      b * tcs - a * tss,
      b * b * ucc - 2 * a * b * ucs + a * a * uss,
      -(a * b * ucc + (b * b - a * a) * ucs - a * b * uss),
      b * xtc - a * xts,
    ],
    [
      -(a * tcc + b * tcs),
      -(a * tcs + b * tss),
      -(a * b * ucc + (b * b - a * a) * ucs - a * b * uss),
      a * a * ucc + 2 * a * b * ucs + b * b * uss,
      -(a * xtc + b * xts),
    ],
  ]
  // The sound less what is there already, for pitch and decay.
  const solved = solve4(m)
  if (!solved) return at
  const { x, varW } = solved
  const most = 2 * at.decay
  const dw = Math.max(-most, Math.min(most, x[2] ?? 0))
  const decay = Math.min(60, Math.max(0.3, at.decay + Math.max(-at.decay / 2, Math.min(at.decay, x[3] ?? 0))))
  return {
    hz: at.hz + dw / (2 * Math.PI),
    decay,
    cos: x[0] ?? a,
    sin: x[1] ?? b,
    varPerNoise: varW / (2 * Math.PI) ** 2,
  }
}

/** Solves for the new strengths and the steps of pitch and decay. The derivatives are taken with the strengths of before, so the first two are whole and not steps. */
function solve4(m: number[][]): { x: number[]; varW: number } | undefined {
  const rows = m.map((row, i) => [...row.slice(0, 4), row[4] ?? 0, ...[0, 1, 2, 3].map((k) => (k === i ? 1 : 0))])
  const scale = rows.map((row, i) => Math.sqrt(Math.max(row[i] ?? 0, 1e-300)))
  rows.forEach((row, i) => {
    for (let k = 0; k < 9; k++) row[k] = (row[k] ?? 0) / (scale[i] ?? 1)
    for (let k = 0; k < 4; k++) row[k] = (row[k] ?? 0) / (scale[k] ?? 1)
  })
  for (let i = 0; i < 4; i++) {
    let pivot = i
    for (let r = i + 1; r < 4; r++) if (Math.abs(rows[r]?.[i] ?? 0) > Math.abs(rows[pivot]?.[i] ?? 0)) pivot = r
    const line = rows[pivot] as number[]
    rows[pivot] = rows[i] as number[]
    rows[i] = line
    const head = line[i] ?? 0
    if (Math.abs(head) < 1e-12) return undefined
    for (let k = 0; k < 9; k++) line[k] = (line[k] ?? 0) / head
    rows.forEach((row, r) => {
      if (r === i) return
      const times = row[i] ?? 0
      for (let k = 0; k < 9; k++) row[k] = (row[k] ?? 0) - times * (line[k] ?? 0)
    })
  }
  const x = rows.map((row, i) => (row[4] ?? 0) / (scale[i] ?? 1))
  // The columns of the inverse were scaled by their own rows.
  const varW = (rows[2]?.[7] ?? 0) / (scale[2] ?? 1)
  return { x, varW: Math.max(0, varW) }
}

/** How far apart the two halves of a sound have the pitch of one partial, and what noise of power 1 per sample would make of that (variance). `rest` is the sound less all
 *  that rings. */
export function halvesApart(
  rest: Float64Array,
  sampleRate: number,
  fit: FittedRinging,
): { readonly hz: number; readonly varPerNoise: number } | undefined {
  const own = rest.slice()
  add(own, sampleRate, fit, 1)
  // Half of what rings, not half of the time.
  const middle = Math.min(Math.floor(own.length / 2), Math.round((sampleRate * 0.6) / fit.decay))
  const halves = [own.subarray(0, middle), own.subarray(middle)].map((half) => {
    let one: FittedRinging = { ...fit, cos: 0, sin: 0, varPerNoise: 0 }
    for (let step = 0; step < 4; step++) one = gaussNewton(half, sampleRate, one)
    return one
  })
  const [early, late] = halves
  if (!early || !late || middle < 8) return undefined
  return { hz: early.hz - late.hz, varPerNoise: early.varPerNoise + late.varPerNoise }
}
