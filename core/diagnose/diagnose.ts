import { chiSquareLimit, withinSigmas } from '../readings'
import { durationRows, durationSays, type DurationSays } from './durationCauses'
import { lateRows, lateSays, type LateSays } from './lateCauses'
import { partingReading, provingReading, type NextReading } from './nextReading'
import { CAUSES, type CauseCode, type PerPart, type Readings } from './readings'
import { ownScatter, widened } from './scatter'
import { oftenOf } from './usual'
import { wholes, type Whole } from './wholeCauses'

export type { NextReading } from './nextReading'

/** A cause, or two at once, that the readings leave standing. */
export interface Fit {
  readonly causes: readonly CauseCode[]
  /** In the cause's own unit: % stretched, mm skimmed, mm of slack, crank degrees, mm of lash over, mm the dial was off; the largest where it has one for
   *  each loop or bank, which `sizes` has. */
  readonly size: number | undefined
  readonly sizes?: PerPart
  /** The sizes of each of its causes that has one, by loop, bank, camshaft or wheel; of one that lies in the lobes the largest, by no name. */
  readonly sized: Readonly<Partial<Record<CauseCode, PerPart>>>
  /** Whole teeth late by camshaft, and of gears in mesh by mesh. */
  readonly teeth: PerPart
  readonly gearTeeth: PerPart
  /** Other meshes on the way at which the same tooth would read the same. */
  readonly orAtMeshes: readonly string[]
  /** How far the worst reading lies from what it says, in sigma. */
  readonly worstSigmas: number
  /** Nobody measured the chain that it says has stretched: it would fit, and is not told. */
  readonly unmeasured: boolean
}

/** Causes that the readings taken cannot tell apart, and the cheapest reading that would. */
export interface FitGroup {
  readonly fits: readonly Fit[]
  readonly next: NextReading
}

export interface Diagnosis {
  /** told = one cause stands; nothingShown = all within their ±; onlyTheHalf = so they are, and cams half a turn out would read the same; notEnough =
   *  several stand, or one that only a measurement can tell; none = no listed cause does. */
  readonly verdict: 'told' | 'nothingShown' | 'onlyTheHalf' | 'notEnough' | 'none'
  /** What stands, the likeliest group first. */
  readonly groups: readonly FitGroup[]
  /** The same, one after the other. */
  readonly fits: readonly Fit[]
  /** Single causes that the readings rule out, and by how many sigma. */
  readonly ruledOut: readonly { readonly cause: CauseCode; readonly bySigmas: number }[]
  /** A reading further than this from what a cause says rules the cause out, sigma: more where more was read. */
  readonly limitSigmas: number
  /** How much more the lobes of each camshaft scatter than they should; everything was judged with so much more. 1 = as they should. */
  readonly scatter: number
  /** What would settle it, or prove it. */
  readonly next: NextReading | undefined
  /** Half a turn out and the wrong half assumed look the same to every reading made so far. */
  readonly halfOpen: boolean
}

interface Says {
  readonly causes: readonly CauseCode[]
  readonly score: number
  readonly predicted: readonly number[]
  readonly sigmas: readonly number[]
  readonly worst: number
  readonly fits: boolean
  readonly fit: Fit
}

/** What is told may be wrong no more often than this, by all that would explain the readings as well. */
const TOLD_AGAINST = 0.02

/** How likely it is that something else is wrong: everything that fits and does not hold these causes, against all that fits. */
function oddsAgainst(says: readonly Says[], told: Fit | undefined): number {
  // Half a turn is witnessed, and weighed by nothing else.
  const causes = (told?.causes ?? []).filter((code) => code !== 'halfTurn')
  const best = says[0]?.score ?? 0
  const all = says.filter(({ fits }) => fits).map((one) => ({ ...one, odds: Math.exp(one.score - best) }))
  const sum = (some: typeof all) => some.reduce((total, { odds }) => total + odds, 0)
  return sum(all.filter((one) => !isPartOf(causes, one.causes))) / sum(all)
}

/** Readings that one cause explains so much worse than another, the logarithm of how often, leave it out: 1 in 400. */
const KEPT = 6
/** Of a group those are named that are not so much less likely: 1 in 100; two at once beside one that would do, 1 in 20. */
const SHOWN = 4.6
const SHOWN_TWO = 3
/** Causes whose predictions lie nearer together than this at every reading cannot be told apart by them, sigma. */
const APART_SIGMAS = 1

/** What is wrong, from everything that was read. Each cause, and each two at once, is held against the readings at its likeliest size; what explains them
 *  no better than chance would allow is ruled out, by limits that follow the number of readings; what cannot be told apart stands as one group.
 *  Never told: a stretch that nobody measured. Source: handbook 12; evidence of linear models (see evidence.ts), what is usual is ours. */
export function diagnose(read: Readings): Diagnosis {
  const scatter = ownScatter(read)
  const readings = widened(read, scatter)
  const rows = lateRows(readings).length + durationRows(readings).length
  const limitSigmas = withinSigmas(rows)
  const says = everything(readings, limitSigmas)
  const halfOpen = readings.half === 'notWitnessed'
  const common = { limitSigmas, scatter, halfOpen }
  const nothing = says.find(({ causes }) => causes.length === 0)
  const kept = groupsOf(readings, says)
  const right = nothing?.fits && kept.some(({ all }) => all.some(({ causes }) => causes.length === 0))
  if (right && readings.half !== 'opposite') {
    const verdict = halfOpen ? 'onlyTheHalf' : 'nothingShown'
    return { ...common, verdict, groups: [], fits: [], ruledOut: [], next: provingReading(readings, []) }
  }
  const groups = right ? [halfAlone(readings, nothing.fit)] : kept.map(({ group }) => withHalf(group, readings))
  const fits = groups.flatMap((group) => group.fits)
  const [only] = fits
  const told = fits.length === 1 && !only?.unmeasured && oddsAgainst(says, only) < TOLD_AGAINST
  const sets = groups.length > 1 ? groups.map((group) => group.fits.flatMap(({ causes }) => causes)) : undefined
  const next =
    fits.length === 0
      ? readings.lobes.some(({ duration }) => !duration)
        ? 'openingAndClosing'
        : 'readAgain'
      : told
        ? provingReading(readings, only?.causes ?? [])
        : sets && groups[0]?.fits.length === 1
          ? partingReading(readings, sets)
          : groups[0]?.next
  const verdict = told ? 'told' : fits.length > 0 ? 'notEnough' : 'none'
  return { ...common, verdict, groups, fits, ruledOut: ruledOutOf(says, limitSigmas), next }
}

/** Everything that was thought of, each against all readings: up to two causes, one of which may change both how late lobes are and how long they last. */
export function everything(readings: Readings, limitSigmas: number): Says[] {
  const plain = combined(readings, limitSigmas, 2, undefined)
  const whole = wholes(readings).flatMap((one) => combined(readings, limitSigmas, 2 - one.causes.length, one))
  return [...plain, ...whole].sort((a, b) => b.score - a.score)
}

function combined(readings: Readings, limitSigmas: number, most: number, whole: Whole | undefined): Says[] {
  const durations = durationSays(readings, most, whole?.duration)
  return lateSays(readings, most, whole?.late).flatMap((late) =>
    durations
      .filter(({ causes }) => late.causes.length + causes.length <= most)
      .map((duration) => judged(readings, limitSigmas, late, duration, whole)),
  )
}

function judged(
  { elongation }: Readings,
  limitSigmas: number,
  late: LateSays,
  duration: DurationSays,
  whole: Whole | undefined,
): Says {
  const causes = [...(whole?.causes ?? []), ...late.causes, ...duration.causes]
  const off = [...late.explained.off, ...duration.explained.off]
  const worst = Math.max(0, ...off)
  const misfit = off.reduce((sum, one) => sum + one ** 2, 0)
  const { size, sizes } = sizeOf(late.causes, late.sizes, duration.size)
  return {
    causes,
    score: late.score + duration.score + (whole?.often ?? 0) + oftenOf(causes),
    predicted: [...late.explained.predicted, ...duration.explained.predicted],
    sigmas: [...late.sigmas, ...duration.sigmas],
    worst,
    fits: worst <= limitSigmas && misfit <= chiSquareLimit(Math.max(1, off.length)),
    fit: {
      causes,
      size,
      ...(sizes ? { sizes } : {}),
      sized: {
        ...late.sizes,
        ...(duration.size === undefined
          ? {}
          : Object.fromEntries(duration.causes.map((code) => [code, { '': duration.size }]))),
      },
      teeth: late.teeth,
      gearTeeth: late.gearTeeth,
      orAtMeshes: [],
      worstSigmas: worst,
      unmeasured: Object.keys(late.sizes.stretch ?? {}).some((part) => !elongation?.[part]),
    },
  }
}

function sizeOf(
  causes: readonly CauseCode[],
  of: Readonly<Partial<Record<CauseCode, PerPart>>>,
  durationSize: number | undefined,
): { readonly size: number | undefined; readonly sizes?: PerPart } {
  const sized = causes.find((code) => of[code])
  const sizes = sized && of[sized]
  if (!sizes) return { size: durationSize }
  const size = Object.values(sizes).reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0)
  return { size, sizes }
}

interface Kept {
  readonly group: FitGroup
  readonly all: readonly Says[]
}

/** What stands, in groups that the readings cannot part, the likeliest first. */
function groupsOf(readings: Readings, says: readonly Says[]): Kept[] {
  const fitting = says.filter(({ fits }) => fits)
  // The likeliest first: what says no more than one before it and another besides is not shown by these readings.
  const standing = fitting.filter(
    ({ causes }, i) => !fitting.slice(0, i).some((one) => one.causes.length > 0 && isPartOf(one.causes, causes)),
  )
  const best = standing[0]?.score ?? 0
  const groups: Says[][] = []
  for (const one of standing.filter(({ score }) => score > best - 2 * KEPT)) {
    const own = groups.find(([first]) => first && sameTo(first, one))
    if (own) own.push(one)
    else if (one.score > best - KEPT) groups.push([one])
  }
  const named = groups.map((all) =>
    all.map((one) => ({ ...one, fit: { ...one.fit, orAtMeshes: alikeAt(one, fitting) } })),
  )
  return named.map((all) => ({ all, group: groupOf(readings, all) }))
}

/** Meshes at which the same causes would read the same. */
function alikeAt(one: Says, fitting: readonly Says[]): string[] {
  if (!one.causes.includes('gearTeeth')) return []
  const own = Object.keys(one.fit.gearTeeth)
  const others = fitting.filter(
    (other) => other.causes.length === one.causes.length && isPartOf(one.causes, other.causes) && sameTo(one, other),
  )
  return [...new Set(others.flatMap(({ fit }) => Object.keys(fit.gearTeeth)))].filter((mesh) => !own.includes(mesh))
}

const sameTo = (a: Says, b: Says) =>
  a.predicted.every((said, i) => Math.abs(said - (b.predicted[i] ?? 0)) <= APART_SIGMAS * (a.sigmas[i] ?? 1))

/** What a group names: those of the fewest causes, and two at once where they are as likely. */
function groupOf(readings: Readings, all: readonly Says[]): FitGroup {
  const fewest = Math.min(...all.map(({ causes }) => causes.length))
  const likeliest = all[0]?.score ?? 0
  const rank = ({ causes }: Says) => 100 * causes.length + CAUSES.indexOf(causes[0] ?? 'wrongCam')
  const shown = all
    .filter(({ causes, score }) => score > likeliest - (causes.length === fewest ? SHOWN : SHOWN_TWO))
    .sort((a, b) => rank(a) - rank(b))
  const sets = shown.map(({ causes }) => causes)
  const [only] = sets
  const next = sets.length === 1 && only ? provingReading(readings, only) : partingReading(readings, sets)
  return { fits: shown.map(({ fit }) => fit), next }
}

const isPartOf = (a: readonly CauseCode[], b: readonly CauseCode[]) => a.every((code) => b.includes(code))

const halfAlone = (readings: Readings, fit: Fit): FitGroup => ({
  fits: [{ ...fit, causes: ['halfTurn'] }],
  next: provingReading(readings, ['halfTurn']),
})

/** With the half of the cycle contradicted by a witness, half a turn is one of them whatever else is wrong. */
const withHalf = (group: FitGroup, { half }: Readings): FitGroup =>
  half === 'opposite'
    ? { ...group, fits: group.fits.map((fit) => ({ ...fit, causes: ['halfTurn', ...fit.causes] })) }
    : group

function ruledOutOf(says: readonly Says[], limitSigmas: number): Diagnosis['ruledOut'] {
  const single = CAUSES.flatMap((cause) => {
    const own = says.filter(({ causes }) => causes.length === 1 && causes[0] === cause)
    const least = Math.min(...own.map(({ worst }) => worst))
    return own.length > 0 && own.every(({ fits }) => !fits) && least > limitSigmas ? [{ cause, bySigmas: least }] : []
  })
  return single
}
