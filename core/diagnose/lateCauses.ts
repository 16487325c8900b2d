import { byId } from '../byId'
import { fitSize, late, measured, nothing } from './predict'
import type { CauseCode, LobeRead, Measured, PerPart, Prediction, Readings } from './readings'

/* Causes that make camshafts late. */

/** Whole teeth on each camshaft, the nearest to what it reads; the rest has to be chance. `less`: what another cause has taken already. */
export function teeth(readings: Readings, less: readonly number[] = readings.lobes.map(() => 0)): Prediction[] {
  const { lobes } = readings
  const shafts = [...new Set(lobes.map(({ shaftId }) => shaftId))]
  const counts = byId(
    shafts.map((shaftId) => {
      const rows = lobes.flatMap((lobe, i) =>
        lobe.shaftId === shaftId && lobe.toothDeg ? [{ lobe, less: less[i] ?? 0 }] : [],
      )
      const mean = fitSize(
        rows.map(({ lobe, less: off }) => ({
          of: lobe.latenessDeg - off,
          by: lobe.toothDeg ?? 1,
          sigma: lobe.sigmaDeg,
        })),
      )
      return [shaftId, Math.round(mean ?? 0) + 0]
    }),
  )
  if (Object.values(counts).every((n) => n === 0)) return []
  return [
    {
      causes: ['teeth'],
      size: undefined,
      teeth: counts,
      lobes: late(lobes.map(({ shaftId, toothDeg }) => (counts[shaftId] ?? 0) * (toothDeg ?? 0))),
      besides: measured(readings, {}),
    },
  ]
}

/** Half a turn of every cam, which one turn of the wheel does not show; only a witness that does not look at the cams does. */
export const halfTurn = (readings: Readings): Prediction[] =>
  readings.half === 'opposite' ? [{ ...nothing(readings), causes: ['halfTurn'] }] : []

/** What makes camshafts late by so much for each unit of it: its name, what a lobe is late by for each, how much there can be, and what was measured
 *  of it. A chain only grows, and breaks before it has grown by more. */
const LATE_BY = {
  stretch: { per: ({ perStretch }: LobeRead) => perStretch, most: 4, known: ({ elongation }: Readings) => elongation },
  skim: { per: ({ perSkim }: LobeRead) => perSkim, most: 3, known: ({ skimmed }: Readings) => skimmed },
  slack: { per: ({ perSlack }: LobeRead) => perSlack, most: 12, known: () => undefined },
} as const
type LateCause = keyof typeof LATE_BY

/** How late a lobe is by so much of a cause; undefined where the cause is not one that makes late. */
export const lateBy = (code: CauseCode | undefined, lobe: LobeRead, sizes: PerPart): number =>
  code !== undefined && code in LATE_BY ? sumOver(LATE_BY[code as LateCause].per(lobe), sizes) : 0

const sumOver = (per: PerPart | undefined, sizes: PerPart): number =>
  Object.entries(per ?? {}).reduce((sum, [part, each]) => sum + each * (sizes[part] ?? 0), 0)

/** The sizes, one for each loop or bank and none below nothing, that bring every lobe nearest to what it reads, by weight, with what was measured
 *  held to. Several loops on one way cannot be told apart by it: they start alike. Undefined where nothing depends on it.
 *  Source: least squares with limits, one part at a time until nothing changes. */
function fitSizes(readings: Readings, code: LateCause): PerPart | undefined {
  const { per, most, known } = LATE_BY[code]
  const rows = readings.lobes.map((lobe) => ({ of: lobe.latenessDeg, by: per(lobe) ?? {}, sigma: lobe.sigmaDeg }))
  const pins = known(readings) ?? {}
  const parts = [...new Set([...rows.flatMap(({ by }) => Object.keys(by)), ...Object.keys(pins)])]
  const weights = parts.map((part) => ({
    part,
    total:
      rows.reduce((sum, { by, sigma }) => sum + ((by[part] ?? 0) / sigma) ** 2, 0) +
      (pins[part]?.sigma ?? Infinity) ** -2,
  }))
  const moving = weights.filter(({ total }) => total > 0)
  if (moving.length === 0) return undefined
  const alike = fitSize(
    rows.map(({ of, by, sigma }) => ({ of, by: Object.values(by).reduce((sum, each) => sum + each, 0), sigma })),
  )
  const sizes: Record<string, number> = byId(
    moving.map(({ part }) => [part, pins[part]?.value ?? clip(alike ?? 0, most)]),
  )
  for (let round = 0, change = Infinity; round < 500 && change > 1e-10; round++) {
    change = 0
    for (const { part, total } of moving) {
      const pin = pins[part]
      const wanted =
        rows.reduce((sum, { of, by, sigma }) => {
          const each = by[part] ?? 0
          return sum + (each * (of - sumOver(by, sizes) + each * (sizes[part] ?? 0))) / sigma ** 2
        }, 0) + (pin ? pin.value / pin.sigma ** 2 : 0)
      const next = clip(wanted / total, most)
      change = Math.max(change, Math.abs(next - (sizes[part] ?? 0)))
      sizes[part] = next
    }
  }
  return sizes
}

const clip = (size: number, most: number) => Math.min(most, Math.max(0, size))
const largest = (sizes: PerPart) => Math.max(0, ...Object.values(sizes))

/** Every lobe late by what a cause does at these sizes. */
function lateAll(readings: Readings, bySize: Partial<Record<LateCause, PerPart>>): Prediction {
  const causes = Object.keys(bySize) as LateCause[]
  const sizes = bySize[causes[0] ?? 'stretch'] ?? {}
  return {
    causes,
    size: largest(sizes),
    sizes,
    teeth: {},
    lobes: late(
      readings.lobes.map((lobe) => causes.reduce((sum, code) => sum + lateBy(code, lobe, bySize[code] ?? {}), 0)),
    ),
    besides: measured(readings, {
      ...(bySize.stretch && { percent: bySize.stretch }),
      ...(bySize.skim && { mm: bySize.skim }),
    }),
  }
}

const fitted =
  (code: LateCause) =>
  (readings: Readings): Prediction[] => {
    const sizes = fitSizes(readings, code)
    return sizes ? [lateAll(readings, { [code]: sizes })] : []
  }
/** Every camshaft of a loop late in proportion to what lies of it between them and what drives it. */
export const stretch = fitted('stretch')
/** A head or block skimmed brings its camshafts nearer. */
export const skim = fitted('skim')
/** Slack on the run that pulls; not when everything was come to running. */
export const slack = (readings: Readings): Prediction[] => (readings.cameRunning ? [] : fitted('slack')(readings))

/** Stretched loops and skimmed heads at once, where both were measured: nothing else would tell one from the other. */
export function stretchAndSkim(readings: Readings): Prediction[] {
  const sizesOf = (known: Readonly<Record<string, Measured>>, most: number) =>
    byId(Object.entries(known).map(([part, { value }]) => [part, clip(value, most)]))
  const { elongation, skimmed } = readings
  if (!elongation || !skimmed) return []
  return [
    lateAll(readings, {
      stretch: sizesOf(elongation, LATE_BY.stretch.most),
      skim: sizesOf(skimmed, LATE_BY.skim.most),
    }),
  ]
}
