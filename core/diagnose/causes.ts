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
  /** Crank degrees late for each 1% that the chain is longer, for each mm of a skimmed head, for each mm of slack left on the pulled run. */
  readonly perStretch?: number | undefined
  readonly perSkim?: number | undefined
  readonly perSlack?: number | undefined
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
  /** Chain measured: elongation %, one sigma. */
  readonly elongation?: { readonly percent: number; readonly sigma: number } | undefined
  /** Head or block measured: mm lower than the book, one sigma. */
  readonly skimmed?: { readonly mm: number; readonly sigma: number } | undefined
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
  /** In the cause's own unit: % stretched, mm skimmed, mm of slack, mm of lash over, mm the dial was off; teeth by shaft. */
  readonly size: number | undefined
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

/** What was measured of chain and head, against so much stretch and so much taken off. */
const measured = (
  { elongation, skimmed }: Readings,
  { percent = 0, mm = 0 }: { readonly percent?: number; readonly mm?: number },
): Prediction['besides'] => [
  ...(elongation ? [{ off: elongation.percent - percent, sigma: elongation.sigma }] : []),
  ...(skimmed ? [{ off: skimmed.mm - mm, sigma: skimmed.sigma }] : []),
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

/** A chain only grows, and breaks before it has grown by more. */
const MOST_STRETCH = 4
const MOST_SKIM_MM = 3
const clip = (size: number, most: number) => Math.min(most, Math.max(0, size))

/** Everything late in proportion to what lies between it and the crank. */
export function stretch(readings: Readings): Prediction[] {
  const rows = readings.lobes.map(({ latenessDeg, sigmaDeg, perStretch = 0 }) => ({
    of: latenessDeg,
    by: perStretch,
    sigma: sigmaDeg,
  }))
  const { elongation } = readings
  const best = fitSize([...rows, ...(elongation ? [{ of: elongation.percent, by: 1, sigma: elongation.sigma }] : [])])
  if (best === undefined) return []
  const size = clip(best, MOST_STRETCH)
  return [
    {
      causes: ['stretch'],
      size,
      teeth: {},
      lobes: late(rows.map(({ by }) => by * size)),
      besides: measured(readings, { percent: size }),
    },
  ]
}

function lateBy(code: 'skim' | 'slack', key: 'perSkim' | 'perSlack', mostMm: number) {
  return (readings: Readings): Prediction[] => {
    const rows = readings.lobes.map((lobe) => ({ of: lobe.latenessDeg, by: lobe[key] ?? 0, sigma: lobe.sigmaDeg }))
    const known = code === 'skim' && readings.skimmed
    const best = fitSize([...rows, ...(known ? [{ of: known.mm, by: 1, sigma: known.sigma }] : [])])
    if (best === undefined) return []
    const size = clip(best, mostMm)
    return [
      {
        causes: [code],
        size,
        teeth: {},
        lobes: late(rows.map(({ by }) => by * size)),
        besides: measured(readings, code === 'skim' ? { mm: size } : {}),
      },
    ]
  }
}
/** A head or block skimmed brings the camshaft nearer. */
export const skim = lateBy('skim', 'perSkim', MOST_SKIM_MM)
/** Slack on the run that pulls; not when everything was come to running. */
export const slack = (readings: Readings): Prediction[] =>
  readings.cameRunning ? [] : lateBy('slack', 'perSlack', 12)(readings)

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

/** A stretched chain and a skimmed head at once, where both were measured: nothing else would tell one from the other. */
export function stretchAndSkim(readings: Readings): Prediction[] {
  const { elongation, skimmed, lobes } = readings
  if (!elongation || !skimmed) return []
  const [percent, mm] = [clip(elongation.percent, MOST_STRETCH), clip(skimmed.mm, MOST_SKIM_MM)]
  return [
    {
      causes: ['stretch', 'skim'],
      size: percent,
      teeth: {},
      lobes: late(lobes.map(({ perStretch = 0, perSkim = 0 }) => perStretch * percent + perSkim * mm)),
      besides: measured(readings, { percent, mm }),
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
