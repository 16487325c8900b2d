import type { Pluck } from './listen'

export type LeftOut = 'tooShort' | 'noise' | 'octave' | 'apart'

export interface JudgedPluck {
  readonly pluck: Pluck
  readonly used: boolean
  /** Why it is not counted in. */
  readonly why: LeftOut | undefined
}

export interface Together {
  readonly plucks: readonly JudgedPluck[]
  /** The mean of those that agree; undefined without any. */
  readonly hz: number | undefined
  /** Two sigma, of the mean: by their scatter and by their own ±. */
  readonly plusMinusHz: number | undefined
  /** From the lowest to the highest of those that agree. */
  readonly spreadHz: number
  readonly used: number
}

/** Plucks of one run agree when they are so near: the hand is not finer. Ours. */
const AGREE = 0.03
/** What a single pluck may be off by another hand, a place beside, a run that has settled: two sigma, as a share. Ours. */
const ONE_ALONE = 0.01

/** Several plucks of one run: those that agree are kept, the others say why. The most that agree with one another count, the strongest of two octaves where they are as many. */
export function combinePlucks(plucks: readonly Pluck[]): Together {
  const heard = plucks.flatMap((pluck) => (pluck.read.is === 'heard' ? [{ pluck, read: pluck.read }] : []))
  const near = (a: number, b: number) => Math.abs(a / b - 1) <= AGREE
  const groups = heard.map(({ read }) => heard.filter((one) => near(one.read.hz, read.hz)))
  const best = groups.toSorted((a, b) => b.length - a.length || tidy(b) - tidy(a))[0] ?? []
  const mean = best.reduce((sum, { read }) => sum + read.hz, 0) / Math.max(1, best.length)
  const judged = plucks.map((pluck): JudgedPluck => {
    const { read } = pluck
    if (read.is === 'refused') return { pluck, used: false, why: read.why }
    if (best.some((one) => one.pluck === pluck)) return { pluck, used: true, why: undefined }
    const octave = [1 / 3, 1 / 2, 2, 3].some((times) => near(read.hz / times, mean))
    return { pluck, used: false, why: octave ? 'octave' : 'apart' }
  })
  if (best.length === 0) return { plucks: judged, hz: undefined, plusMinusHz: undefined, spreadHz: 0, used: 0 }
  const values = best.map(({ read }) => read.hz)
  const n = values.length
  const scatter = n > 1 ? Math.sqrt(values.reduce((sum, hz) => sum + (hz - mean) ** 2, 0) / (n - 1)) : 0
  const own = Math.sqrt(best.reduce((sum, { read }) => sum + (read.plusMinusHz / 2) ** 2, 0)) / n
  const byScatter = n > 1 ? (WIDER[n] ?? 2) * (scatter / Math.sqrt(n)) : ONE_ALONE * mean
  return {
    plucks: judged,
    hz: mean,
    plusMinusHz: Math.hypot(byScatter, 2 * own, n > 1 ? LEAST_SHARE * mean : 0),
    spreadHz: Math.max(...values) - Math.min(...values),
    used: n,
  }
}

/** No hand plucks the same run finer than this, two sigma, as a share. Ours. */
const LEAST_SHARE = 0.003

/** Of few that scatter the ± is wider. Source: Student's t, 95%. */
const WIDER: Readonly<Record<number, number>> = { 2: 12.71, 3: 4.3, 4: 3.18, 5: 2.78, 6: 2.57, 7: 2.45, 8: 2.36 }

/** Told by more partials it is the more to be believed. */
const tidy = (group: readonly { readonly read: { readonly partials: readonly unknown[] } }[]) =>
  group.reduce((sum, { read }) => sum + read.partials.length, 0)
