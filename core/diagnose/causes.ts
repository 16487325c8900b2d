/** A figure for each loop or each bank. */
export type PerPart = Readonly<Record<string, number>>
export interface Measured {
  readonly value: number
  readonly sigma: number
}

/** One lobe set as it was read: crank degrees, + = late; one sigma. */
export interface LobeRead {
  readonly camId: string
  readonly shaftId: string
  readonly latenessDeg: number
  readonly sigmaDeg: number
  /** Closing less opening lateness, where both were read. */
  readonly duration?: { readonly deg: number; readonly sigmaDeg: number } | undefined
  /** How far its cam's mark says it is late, where that was read as well. */
  readonly mark?: { readonly latenessDeg: number; readonly sigmaDeg: number } | undefined
  /** What one tooth of its sprocket is worth; undefined where no loop drives it. */
  readonly toothDeg?: number | undefined
  /** Crank degrees late for each 1% that a loop on its way is longer, for each mm of its skimmed head or block, for each mm of slack left on
   *  the pulled run of its loop: by loop, by bank, by loop. */
  readonly perStretch?: PerPart | undefined
  readonly perSkim?: PerPart | undefined
  readonly perSlack?: PerPart | undefined
  /** Crank degrees of duration lost for each mm of lash too many. */
  readonly perLash?: number | undefined
  /** Lash as found less the book's, mm, where it was measured. */
  readonly lashOverMm?: number | undefined
  /** Top lift as found less the book's, mm, where it was measured. */
  readonly topLiftOverMm?: number | undefined
  /** What it would read if it were the engine's other cam: lateness and duration against its own book. */
  readonly ifSwapped?: { readonly latenessDeg: number; readonly durationDeg: number } | undefined
}

export interface Readings {
  readonly lobes: readonly LobeRead[]
  /** Loops that were measured: elongation, %. */
  readonly elongation?: Readonly<Record<string, Measured>> | undefined
  /** Heads or blocks that were measured, by bank: mm lower than the book. */
  readonly skimmed?: Readonly<Record<string, Measured>> | undefined
  /** Came to every reading running, with the tensioner released: no slack can lie on the pulled run. */
  readonly cameRunning: boolean
  /** The half of the cycle as the lobes say it, against a witness that does not look at the cams; one turn alone does not tell. */
  readonly half: 'agrees' | 'opposite' | 'notWitnessed' | 'oneTurnCycle'
}

export type CauseCode =
  | 'teeth'
  | 'halfTurn'
  | 'stretch'
  | 'skim'
  | 'slack'
  | 'lash'
  | 'wear'
  | 'wrongLift'
  | 'camSwapped'
  | 'mark'
  | 'wrongCam'

/** What a cause says that every lobe would read, with the size it takes to come nearest. */
export interface Prediction {
  readonly causes: readonly CauseCode[]
  /** In the cause's own unit: % stretched, mm skimmed, mm of slack, mm of lash over, mm the dial was off; the largest where it has one for each
   *  loop or bank, which `sizes` has. */
  readonly size: number | undefined
  readonly sizes?: PerPart
  readonly teeth: Readonly<Record<string, number>>
  readonly lobes: readonly {
    readonly latenessDeg: number
    readonly durationDeg: number
    readonly markDeg: number | undefined
  }[]
  /** What it says of other things measured, each as how far off and one sigma. */
  readonly besides: readonly { readonly off: number; readonly sigma: number }[]
}

interface Lateness {
  readonly of: number
  readonly by: number
  readonly sigma: number
}

/** The size that brings `by · size` nearest to `of`, by weight. */
function fitSize(rows: readonly Lateness[]): number | undefined {
  const total = rows.reduce((sum, { by, sigma }) => sum + (by / sigma) ** 2, 0)
  return total > 0 ? rows.reduce((sum, { of, by, sigma }) => sum + (of * by) / sigma ** 2, 0) / total : undefined
}

const still = (lobes: readonly LobeRead[]): Prediction['lobes'] =>
  lobes.map(() => ({ latenessDeg: 0, durationDeg: 0, markDeg: 0 }))
const late = (degs: readonly number[]): Prediction['lobes'] =>
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
const measured = (
  { elongation = {}, skimmed = {} }: Readings,
  { percent = {}, mm = {} }: { readonly percent?: PerPart; readonly mm?: PerPart },
): Prediction['besides'] => [
  ...Object.entries(elongation).map(([id, { value, sigma }]) => ({ off: value - (percent[id] ?? 0), sigma })),
  ...Object.entries(skimmed).map(([id, { value, sigma }]) => ({ off: value - (mm[id] ?? 0), sigma })),
]

/** Whole teeth on each camshaft, the nearest to what it reads; the rest has to be chance. `less`: what another cause has taken already. */
export function teeth(readings: Readings, less: readonly number[] = readings.lobes.map(() => 0)): Prediction[] {
  const { lobes } = readings
  const shafts = [...new Set(lobes.map(({ shaftId }) => shaftId))]
  const counts = Object.fromEntries(
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
  const sizes: Record<string, number> = Object.fromEntries(
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
    Object.fromEntries(Object.entries(known).map(([part, { value }]) => [part, clip(value, most)]))
  const { elongation, skimmed } = readings
  if (!elongation || !skimmed) return []
  return [
    lateAll(readings, {
      stretch: sizesOf(elongation, LATE_BY.stretch.most),
      skim: sizesOf(skimmed, LATE_BY.skim.most),
    }),
  ]
}

const durationRows = ({ lobes }: Readings) =>
  lobes.map((lobe) => ({
    of: lobe.duration?.deg ?? 0,
    by: 0 - (lobe.perLash ?? 0),
    sigma: lobe.duration?.sigmaDeg ?? 1,
    lobe,
  }))
const lasting = (degs: readonly number[]): Prediction['lobes'] =>
  degs.map((durationDeg) => ({ latenessDeg: 0, durationDeg, markDeg: 0 }))

/** Each lobe opens late and closes early by what its lash is over; a lash that was measured is held to. */
export function lash(readings: Readings): Prediction[] {
  const rows = durationRows(readings)
  if (!rows.some(({ lobe }) => lobe.duration && lobe.perLash)) return []
  const overs = rows.map(({ of, by, lobe }) => lobe.lashOverMm ?? (lobe.duration && by !== 0 ? of / by : 0))
  if (overs.some((over) => over < -0.6 || over > 1.5)) return []
  const size = overs.reduce((most, over) => (Math.abs(over) > Math.abs(most) ? over : most), 0)
  return [
    {
      ...nothing(readings),
      causes: ['lash'],
      size,
      lobes: lasting(rows.map(({ by }, i) => by * (overs[i] ?? 0))),
      besides: lifts(readings, 0),
    },
  ]
}

const LIFT_SIGMA_MM = 0.05
const lifts = (readings: Readings, lostMm: number): Prediction['besides'] => [
  ...measured(readings, {}),
  ...readings.lobes.flatMap(({ topLiftOverMm, duration }) =>
    topLiftOverMm === undefined || !duration || Math.abs(duration.deg) < 3 * duration.sigmaDeg
      ? []
      : [{ off: topLiftOverMm + lostMm, sigma: LIFT_SIGMA_MM }],
  ),
]

/** Worn lobes open late and close early with the lash right, and lift less. */
export function wear(readings: Readings): Prediction[] {
  const rows = durationRows(readings)
  const short = rows.filter(({ lobe }) => lobe.duration && lobe.perLash && lobe.duration.deg < 0)
  const excused = rows.some(({ lobe }) => (lobe.lashOverMm ?? 0) > 0.05)
  const kept = short.some(({ lobe }) => lobe.topLiftOverMm !== undefined && lobe.topLiftOverMm > -2 * LIFT_SIGMA_MM)
  if (short.length === 0 || excused || kept) return []
  const worn = rows.map(({ of, lobe }) => (lobe.duration && of < 0 ? of : 0))
  const size = Math.max(...rows.map(({ by }, i) => (by === 0 ? 0 : (worn[i] ?? 0) / by)))
  return [{ ...nothing(readings), causes: ['wear'], size, lobes: lasting(worn) }]
}

/** Every lobe read at another lift than the book's: all of them longer or all shorter, by one and the same lift. */
export function wrongLift(readings: Readings): Prediction[] {
  const rows = durationRows(readings).filter(({ lobe }) => lobe.duration && lobe.perLash)
  const size = fitSize(rows)
  if (rows.length < 2 || size === undefined || Math.abs(size) > 1.5) return []
  return [
    {
      ...nothing(readings),
      causes: ['wrongLift'],
      size,
      lobes: lasting(durationRows(readings).map(({ by }) => by * size)),
      besides: lifts(readings, 0),
    },
  ]
}

/** The inlet camshaft where the exhaust belongs, and the other way about. */
export function camSwapped(readings: Readings): Prediction[] {
  const swapped = readings.lobes.map(({ ifSwapped }) => ifSwapped)
  if (readings.lobes.length === 0 || swapped.some((one) => !one)) return []
  return [
    {
      ...nothing(readings),
      causes: ['camSwapped'],
      lobes: swapped.map((one) => ({
        latenessDeg: one?.latenessDeg ?? 0,
        durationDeg: one?.durationDeg ?? 0,
        markDeg: 0,
      })),
    },
  ]
}

/** A camshaft that is not the book's: on one shaft the lobes stand otherwise to each other than they should, or one is open for longer or shorter, or
 *  lifts more, with its lash measured and right. How its lobes read is then its own; the other camshafts have to be right. Only where no
 *  other cause is left, since it would fit anything. */
export function wrongCam(readings: Readings): Prediction[] {
  const { lobes } = readings
  const strange = [...new Set(lobes.map(({ shaftId }) => shaftId))].filter((shaftId) =>
    isStrange(lobes.filter((lobe) => lobe.shaftId === shaftId)),
  )
  if (strange.length === 0) return []
  return [
    {
      ...nothing(readings),
      causes: ['wrongCam'],
      lobes: lobes.map((lobe) =>
        strange.includes(lobe.shaftId)
          ? { latenessDeg: lobe.latenessDeg, durationDeg: lobe.duration?.deg ?? 0, markDeg: undefined }
          : { latenessDeg: 0, durationDeg: 0, markDeg: 0 },
      ),
    },
  ]
}

const STRANGE_SIGMAS = 3
const RIGHT_LASH_MM = 0.05

function isStrange(lobes: readonly LobeRead[]): boolean {
  const apart = lobes.some((a) =>
    lobes.some((b) => Math.abs(a.latenessDeg - b.latenessDeg) > STRANGE_SIGMAS * Math.hypot(a.sigmaDeg, b.sigmaDeg)),
  )
  const shaped = lobes.some(
    ({ duration, lashOverMm, topLiftOverMm = 0 }) =>
      topLiftOverMm > STRANGE_SIGMAS * LIFT_SIGMA_MM ||
      (duration &&
        lashOverMm !== undefined &&
        Math.abs(lashOverMm) <= RIGHT_LASH_MM &&
        Math.abs(duration.deg) > STRANGE_SIGMAS * duration.sigmaDeg),
  )
  return apart || shaped
}

/** The cam is right and its mark is not what it seems: another version's, a leftover, or on a wheel that sits elsewhere. */
export const mark = (readings: Readings): Prediction[] =>
  readings.lobes.some((lobe) => lobe.mark)
    ? [
        {
          ...nothing(readings),
          causes: ['mark'],
          lobes: readings.lobes.map(() => ({ latenessDeg: 0, durationDeg: 0, markDeg: undefined })),
        },
      ]
    : []
