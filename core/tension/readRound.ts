import { widestGap, type DrivePeriods, type Period } from './periods'

/** One place of a round. */
export interface RoundReading {
  readonly turnDeg: number
  readonly value: number
  /** Two sigma. */
  readonly plusMinus: number
}

/** Something that comes round with one of the periods. */
export type Swing =
  | { readonly kind: 'runOut'; readonly wheels: readonly string[]; readonly turns: number; readonly amplitude: number }
  /** A stiff or worn stretch: the loop is so much shorter (minus) or longer while it lies on the run. */
  | { readonly kind: 'stretch'; readonly turns: number; readonly amplitude: number; readonly atTurnDeg: number }

export interface Round<R extends RoundReading = RoundReading> {
  readonly tightest: R
  readonly loosest: R
  readonly swings: readonly Swing[]
  /** Every wheel seen in every third of its turn, and every link on the run once. */
  readonly whole: boolean
  /** The share of the loop that has not lain on the run. */
  readonly unseenShare: number
  /** How tight the places that were not looked at could still be; undefined where too few were to say. */
  readonly couldHide: number | undefined
  /** What it would read elsewhere, by what swings; undefined where too few were read to say. */
  readonly curve: ((turnDeg: number) => number) | undefined
}

/** Two sigma of this and the swing is there: of a run-out, which has two figures and is looked for at every wheel, more is asked. Ours. */
const RUN_OUT_GAINS = 14
const STRETCH_GAINS = 14
/** Of what swings, what may have been put down to the wrong cause where the places are few. Ours. */
const SHARED = 0.15
/** With fewer places nothing is told of those that were not looked at. Ours. */
const LEAST_PLACES = 4

/** What readings of slack at several places of a drive's turn say together: the tightest and the loosest, what swings with which period, and what the places that were
 *  not looked at could still hide. `linear` makes of a reading what adds up: of a play the length that is over. Undefined without a reading.
 *  Source: least squares on known periods, taken in one after the other as long as one explains more than chance. */
export function readRound<R extends RoundReading>(
  readings: readonly R[],
  drive: DrivePeriods | undefined,
  { runPitches, linear = same }: { readonly runPitches: number; readonly linear?: Linear },
): Round<R> | undefined {
  const sorted = readings.toSorted((a, b) => a.value - b.value)
  const [tightest, loosest] = [sorted[0], sorted.at(-1)]
  if (!tightest || !loosest) return undefined
  const points = readings.map(({ turnDeg, value, plusMinus }) => ({
    turns: turnDeg / 360,
    y: linear.from(value),
    sigma: Math.max(Math.abs(linear.slope(value)) * (plusMinus / 2), 1e-6),
  }))
  const seen = coverage(points, drive, runPitches)
  if (!drive || points.length < LEAST_PLACES)
    return { tightest, loosest, swings: [], ...seen, couldHide: undefined, curve: undefined }
  const { swings, least, at } = explain(points, drive, runPitches)
  const couldHide = seen.whole ? Math.min(tightest.value, linear.back(least)) : undefined
  return { tightest, loosest, swings, ...seen, couldHide, curve: (turnDeg) => linear.back(at(turnDeg / 360)) }
}

/** From a reading to what adds up, its slope there, and back. */
export interface Linear {
  readonly from: (value: number) => number
  readonly slope: (value: number) => number
  readonly back: (y: number) => number
}
const same: Linear = { from: (value) => value, slope: () => 1, back: (y) => y }

interface Point {
  readonly turns: number
  readonly y: number
  readonly sigma: number
}

function coverage(points: readonly Point[], drive: DrivePeriods | undefined, runPitches: number) {
  if (!drive) return { whole: false, unseenShare: 1 }
  const gaps = drive.periods.map(({ of, turns }) => ({
    of,
    gap: widestGap(points.map((point) => point.turns / turns)),
  }))
  const run = drive.loop ? Math.max(runPitches, 1) / drive.loop.pitches : 0
  const loopGap = gaps.find(({ of }) => of === 'loop')?.gap
  return {
    whole: gaps.every(({ of, gap }) => gap <= (of === 'loop' ? run : 1 / 3) + 1e-6),
    unseenShare: loopGap === undefined ? 1 : unseenOf(points, drive, run),
  }
}

/** The share of the loop's turn that no reading's run covers. */
function unseenOf(points: readonly Point[], { loop }: DrivePeriods, run: number): number {
  if (!loop) return 1
  const starts = points
    .map(({ turns }) => (turns * loop.perTurn) / loop.pitches)
    .map((phase) => phase - Math.floor(phase))
    .toSorted((a, b) => a - b)
  return starts.reduce((unseen, start, i) => {
    const next = starts[i + 1] ?? (starts[0] ?? 0) + 1
    return unseen + Math.max(0, next - start - run)
  }, 0)
}

/** A column of the fit: what it is worth at each place. */
interface Column {
  readonly at: (turns: number) => number
}
type Candidate =
  | { readonly kind: 'runOut'; readonly period: Period; readonly columns: readonly Column[] }
  | { readonly kind: 'stretch'; readonly turns: number; readonly place: number; readonly columns: readonly Column[] }

const constant: Column = { at: () => 1 }

function explain(points: readonly Point[], drive: DrivePeriods, runPitches: number) {
  let taken: Candidate[] = []
  let fit = solve(points, [constant])
  const candidates = candidatesOf(drive, runPitches)
  for (;;) {
    const free = points.length - 1 - taken.reduce((n, { columns }) => n + columns.length, 0)
    const better = candidates
      .filter((one) => !taken.some((other) => samePeriod(one, other)) && free > one.columns.length)
      .flatMap((one) => {
        const next = solve(points, [constant, ...[...taken, one].flatMap(({ columns }) => columns)])
        const gain = fit.chi2 - next.chi2
        return gain > (one.kind === 'runOut' ? RUN_OUT_GAINS : STRETCH_GAINS) ? [{ one, next, gain }] : []
      })
      .toSorted((a, b) => b.gain / b.one.columns.length - a.gain / a.one.columns.length)[0]
    if (!better) break
    taken = [...taken, better.one]
    fit = better.next
  }
  const swings = taken.map((one, i): Swing => {
    const from = 1 + taken.slice(0, i).reduce((n, { columns }) => n + columns.length, 0)
    if (one.kind === 'stretch')
      return { kind: 'stretch', turns: one.turns, amplitude: fit.x[from] ?? 0, atTurnDeg: one.place * one.turns * 360 }
    const amplitude = Math.hypot(fit.x[from] ?? 0, fit.x[from + 1] ?? 0)
    return {
      kind: 'runOut',
      wheels: one.period.of === 'loop' ? [] : one.period.of.wheels,
      turns: one.period.turns,
      amplitude,
    }
  })
  // All of them at their worst together; and besides what is too small to be told among so few readings, of each period that was not taken.
  const down = swings.reduce(
    (sum, one) => sum + (one.kind === 'runOut' ? one.amplitude : Math.max(0, -one.amplitude)),
    0,
  )
  const n = points.length
  const untold = drive.periods.map((period) => {
    if (swings.some((swing) => swing.turns === period.turns)) return 0
    if (period.of !== 'loop') return (RUN_OUT_GAINS * 2) / n
    return STRETCH_GAINS / Math.max(1, (n * runPitches) / (drive.loop?.pitches ?? runPitches))
  })
  const known = (4 * (1 + 2 * swings.length)) / n
  const open = SHARED * down + fit.sigma * Math.sqrt(untold.reduce((sum, one) => sum + one, known))
  const columns = [constant, ...taken.flatMap((one) => one.columns)]
  const at = (turns: number) => columns.reduce((sum, column, i) => sum + (fit.x[i] ?? 0) * column.at(turns), 0)
  return { swings, least: (fit.x[0] ?? 0) - down - open, at }
}

function candidatesOf(drive: DrivePeriods, runPitches: number): readonly Candidate[] {
  const runOuts = drive.periods.flatMap((period): Candidate[] =>
    period.of === 'loop'
      ? []
      : [
          {
            kind: 'runOut',
            period,
            columns: [
              { at: (turns) => Math.cos((2 * Math.PI * turns) / period.turns) },
              { at: (turns) => Math.sin((2 * Math.PI * turns) / period.turns) },
            ],
          },
        ],
  )
  const { loop } = drive
  if (!loop) return runOuts
  const turns = loop.pitches / loop.perTurn
  const run = Math.max(runPitches, 1) / loop.pitches
  // Where along its own turn the stretch meets the run's far end: a pitch at a time.
  const stretches = Array.from({ length: loop.pitches }, (_, i): Candidate => {
    const place = i / loop.pitches
    const onRun = (at: number) => {
      const phase = at / turns - place
      return phase - Math.floor(phase) < run ? 1 : 0
    }
    return { kind: 'stretch', turns, place, columns: [{ at: onRun }] }
  })
  return [...runOuts, ...stretches]
}

const samePeriod = (a: Candidate, b: Candidate) =>
  a.kind === b.kind && (a.kind === 'stretch' || (b.kind === 'runOut' && a.period === b.period))

/** Weighted least squares by its normal equations. */
function solve(points: readonly Point[], columns: readonly Column[]) {
  const n = columns.length
  const a = Array.from({ length: n }, () => Array.from({ length: n + 1 }, () => 0))
  for (const { turns, y, sigma } of points) {
    const row = columns.map(({ at }) => at(turns))
    const weight = 1 / sigma ** 2
    for (let i = 0; i < n; i++) {
      const line = a[i] as number[]
      for (let j = 0; j < n; j++) line[j] = (line[j] ?? 0) + weight * (row[i] ?? 0) * (row[j] ?? 0)
      line[n] = (line[n] ?? 0) + weight * (row[i] ?? 0) * y
    }
  }
  const x = gauss(a)
  const chi2 = points.reduce((sum, { turns, y, sigma }) => {
    const told = columns.reduce((at, column, i) => at + (x[i] ?? 0) * column.at(turns), 0)
    return sum + ((y - told) / sigma) ** 2
  }, 0)
  const sigma = Math.sqrt(points.length / points.reduce((sum, one) => sum + 1 / one.sigma ** 2, 0))
  return { x, chi2, sigma }
}

/** Solves a system with its right side as the last column; what is not determined is left at zero. */
function gauss(a: number[][]): number[] {
  const n = a.length
  for (let i = 0; i < n; i++) {
    let pivot = i
    for (let r = i + 1; r < n; r++) if (Math.abs(a[r]?.[i] ?? 0) > Math.abs(a[pivot]?.[i] ?? 0)) pivot = r
    const line = a[pivot] as number[]
    a[pivot] = a[i] as number[]
    a[i] = line
    const head = line[i] ?? 0
    if (Math.abs(head) < 1e-9) continue
    a.forEach((to, r) => {
      if (r === i) return
      const times = (to[i] ?? 0) / head
      line.forEach((value, c) => (to[c] = (to[c] ?? 0) - times * value))
    })
  }
  return a.map((row, i) => (Math.abs(row[i] ?? 0) < 1e-9 ? 0 : (row[n] ?? 0) / (row[i] ?? 1)))
}
