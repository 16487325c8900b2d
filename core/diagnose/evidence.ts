import { wrapToSigned } from '../units'

/** Something read, as a hypothesis has to explain it. */
export interface Observed {
  readonly value: number
  readonly sigma: number
  /** An angle of the degree wheel: a whole turn does not show. */
  readonly onOneTurn?: boolean
}

/** A size that a hypothesis is free to choose: what one unit of it does to each thing observed, and how large it usually is. */
export interface Size {
  readonly does: readonly number[]
  readonly sigma: number
  /** It can only be more than nothing. */
  readonly positive?: boolean
  /** More than this there cannot be. */
  readonly most?: number
}

/** What a hypothesis says for certain, and what it is free to choose. */
export interface Besides {
  readonly certain: readonly number[]
  readonly sizes: readonly Size[]
}

export interface Explained {
  /** How well it explains what was observed, with what it had to choose for it held against it: the logarithm of the evidence, against the others. */
  readonly logEvidence: number
  readonly sizes: readonly number[]
  readonly predicted: readonly number[]
  /** How many sigma each thing observed lies from it. */
  readonly off: readonly number[]
}

/** How well sizes that are free explain what was observed, over what a hypothesis says for certain. A size costs as much as it had to be chosen: one that
 *  could be anything explains less than one that is known. What comes out below nothing and cannot be is taken as nothing, what comes out larger than
 *  there can be as the most. Source: evidence of the linear Gaussian model (MacKay, Information Theory, Inference, and Learning Algorithms, chapters 28
 *  and 45). */
export function explain(observed: readonly Observed[], certain: readonly number[], sizes: readonly Size[]): Explained {
  const rest = observed.map(({ value, onOneTurn }, i) => {
    const off = value - (certain[i] ?? 0)
    return onOneTurn ? wrapToSigned(off, 360) : off
  })
  const values = sizes.map(() => 0)
  let free = sizes.map((_, i) => i)
  let logDet: number
  for (;;) {
    const held = rest.map((r, k) =>
      sizes.reduce((sum, { does }, i) => (free.includes(i) ? sum : sum - (does[k] ?? 0) * (values[i] ?? 0)), r),
    )
    const found = solve(
      observed,
      held,
      free.map((i) => sizes[i] as Size),
    )
    logDet = found.logDet
    free.forEach((i, k) => (values[i] = found.values[k] ?? 0))
    const beyond = free.filter((i) => limited(sizes[i] as Size, values[i] ?? 0) !== values[i])
    if (beyond.length === 0) break
    for (const i of beyond) values[i] = limited(sizes[i] as Size, values[i] ?? 0)
    free = free.filter((i) => !beyond.includes(i))
  }
  const moved = rest.map((_, k) => sizes.reduce((sum, { does }, i) => sum + (does[k] ?? 0) * (values[i] ?? 0), 0))
  const off = rest.map((r, k) => (r - (moved[k] ?? 0)) / (observed[k]?.sigma ?? 1))
  const strain = values.reduce((sum, value, i) => sum + (value / (sizes[i]?.sigma ?? 1)) ** 2, 0)
  const misfit = off.reduce((sum, one) => sum + one ** 2, 0) + strain
  const halves = free.filter((i) => sizes[i]?.positive).length * Math.LN2
  return {
    logEvidence: -misfit / 2 - logDet / 2 + halves,
    sizes: values,
    predicted: moved.map((one, k) => one + (certain[k] ?? 0)),
    off: off.map(Math.abs),
  }
}

function limited({ positive, most = Infinity }: Size, value: number): number {
  if (positive && value < 0) return 0
  return Math.min(most, Math.max(-most, value))
}

/** Least squares with each size held to what is usual; and the logarithm of how much it had to be chosen. */
function solve(observed: readonly Observed[], rest: readonly number[], sizes: readonly Size[]) {
  const n = sizes.length
  // In units of each size's own sigma: the matrix is then one plus what was observed.
  const matrix = sizes.map((a, i) =>
    sizes.map((b, j) => {
      const both = observed.reduce((sum, { sigma }, k) => sum + ((a.does[k] ?? 0) * (b.does[k] ?? 0)) / sigma ** 2, 0)
      return both * a.sigma * b.sigma + (i === j ? 1 : 0)
    }),
  )
  const right = sizes.map(
    (a) => observed.reduce((sum, { sigma }, k) => sum + ((a.does[k] ?? 0) * (rest[k] ?? 0)) / sigma ** 2, 0) * a.sigma,
  )
  const at = (i: number, j: number) => matrix[i]?.[j] ?? 0
  const lower: number[][] = []
  let logDet = 0
  for (let i = 0; i < n; i++) {
    const row: number[] = []
    for (let j = 0; j <= i; j++) {
      const done = row.slice(0, j).reduce((sum, l, k) => sum + l * (lower[j]?.[k] ?? (j === i ? (row[k] ?? 0) : 0)), 0)
      row.push(i === j ? Math.sqrt(at(i, i) - done) : (at(i, j) - done) / (lower[j]?.[j] ?? 1))
    }
    lower.push(row)
    logDet += 2 * Math.log(row[i] ?? 1)
  }
  const forward: number[] = []
  for (let i = 0; i < n; i++) {
    const done = forward.reduce((sum, y, k) => sum + y * (lower[i]?.[k] ?? 0), 0)
    forward.push(((right[i] ?? 0) - done) / (lower[i]?.[i] ?? 1))
  }
  const values = Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    let done = 0
    for (let k = i + 1; k < n; k++) done += (lower[k]?.[i] ?? 0) * (values[k] ?? 0)
    values[i] = ((forward[i] ?? 0) - done) / (lower[i]?.[i] ?? 1)
  }
  return { values: values.map((value, i) => value * (sizes[i]?.sigma ?? 1)), logDet }
}
