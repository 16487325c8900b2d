import type { LobeRead, PerPart, Prediction, Readings } from './readings'

export interface Lateness {
  readonly of: number
  readonly by: number
  readonly sigma: number
}

/** The size that brings `by · size` nearest to `of`, by weight. */
export function fitSize(rows: readonly Lateness[]): number | undefined {
  const total = rows.reduce((sum, { by, sigma }) => sum + (by / sigma) ** 2, 0)
  return total > 0 ? rows.reduce((sum, { of, by, sigma }) => sum + (of * by) / sigma ** 2, 0) / total : undefined
}

const still = (lobes: readonly LobeRead[]): Prediction['lobes'] =>
  lobes.map(() => ({ latenessDeg: 0, durationDeg: 0, markDeg: 0 }))
export const late = (degs: readonly number[]): Prediction['lobes'] =>
  degs.map((latenessDeg) => ({ latenessDeg, durationDeg: 0, markDeg: latenessDeg }))

/** Nothing is wrong. */
export const nothing = (readings: Readings): Prediction => ({
  causes: [],
  size: undefined,
  teeth: {},
  lobes: still(readings.lobes),
  besides: measured(readings, {}),
})

/** What was measured of loops and heads, against so much stretch and so much taken off. */
export const measured = (
  { elongation = {}, skimmed = {} }: Readings,
  { percent = {}, mm = {} }: { readonly percent?: PerPart; readonly mm?: PerPart },
): Prediction['besides'] => [
  ...Object.entries(elongation).map(([id, { value, sigma }]) => ({ off: value - (percent[id] ?? 0), sigma })),
  ...Object.entries(skimmed).map(([id, { value, sigma }]) => ({ off: value - (mm[id] ?? 0), sigma })),
]
