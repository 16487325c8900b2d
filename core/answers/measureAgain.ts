import { readDrive } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { Trust } from '../model/primitives'
import { partsOf } from '../sheet'
import { givenFigure, type Figure } from './figures'
import { usualOf } from './usualValues'
import { withFigure } from './withFigure'

/** A figure that may be the wrong one of several. */
export interface Again {
  readonly figure: Figure
  readonly trust: Trust
  readonly now: number
  /** What it would have to be for everything else to be right; undefined where no value of it would do. */
  readonly wouldBe: number | undefined
}

/** Two ways of coming to one number. */
export interface TwoWays {
  /** By how much they differ on a sheet. */
  readonly apart: (sheet: BuildSheet) => number | undefined
  /** Whether they no longer contradict each other. */
  readonly agree: (sheet: BuildSheet) => boolean
}

const STEPS = 12
/** Of what a figure is, it is not off by more than this: rather than that something else is wrong. */
const MOST_OFF = 0.25

/** How readily a figure is doubted, by where it comes from. */
export const DOUBT: Readonly<Record<Trust, number>> = { unknown: 0, memory: 1, manual: 2, measured: 3 }

/** Which of several figures to measure again when two ways of coming to one number differ, the likeliest to be wrong first: those that could end it by themselves;
 *  of these the least trusted; of these the one that would have to be off by the fewest of its own ±. */
export function againOf(sheet: BuildSheet, figures: readonly Figure[], ways: TwoWays): Again[] {
  const all = figures.flatMap((figure): (Again & { readonly steps: number })[] => {
    const given = givenFigure(sheet, figure)
    if (!given) return []
    const { value: now, trust } = given
    const wouldBe = endsAt(sheet, figure, now, ways)
    const readTo = usualOf(figure)?.readTo || 1
    const steps = wouldBe === undefined ? Infinity : Math.abs(wouldBe - now) / readTo
    return [{ figure, trust, now, wouldBe, steps }]
  })
  return all
    .sort(
      (a, b) =>
        Number(a.wouldBe === undefined) - Number(b.wouldBe === undefined) ||
        DOUBT[a.trust] - DOUBT[b.trust] ||
        a.steps - b.steps,
    )
    .map(({ steps: _steps, ...again }) => again)
}

/** The value of a figure at which two ways agree, by secants; whole where it is counted. */
function endsAt(sheet: BuildSheet, figure: Figure, now: number, { apart, agree }: TwoWays): number | undefined {
  // An angle has no size to be a share of.
  const most = usualOf(figure)?.unit === 'deg' ? 180 : MOST_OFF * Math.abs(now)
  const f = (value: number) => (Math.abs(value - now) > 2 * most ? undefined : apart(withFigure(sheet, figure, value)))
  const root = rootOf(f, now, usualOf(figure)?.readTo || 1)
  if (root === undefined) return undefined
  const counted = (usualOf(figure)?.readTo ?? 0) === 0
  const near = !counted
    ? [root]
    : figure.list === 'counts'
      ? [Math.round(2 * root) / 2]
      : [Math.round(root), Math.ceil(root), 2 * Math.ceil(root / 2)]
  return near.find((value) => value !== now && Math.abs(value - now) <= most && agree(withFigure(sheet, figure, value)))
}

/** Where a function comes to nothing, by secants from a first step. */
function rootOf(f: (x: number) => number | undefined, from: number, step: number): number | undefined {
  let [x0, y0] = [from, f(from)]
  let x1 = from + step
  for (let i = 0; i < STEPS; i++) {
    const y1 = f(x1)
    if (y0 === undefined || y1 === undefined || y1 === y0) return undefined
    const next = x1 - (y1 * (x1 - x0)) / (y1 - y0)
    if (!Number.isFinite(next)) return undefined
    if (Math.abs(next - x1) < 1e-6) return next
    ;[x0, y0, x1] = [x1, y1, next]
  }
  return undefined
}

/** What the path of a loop needs, in pitches, whatever its length is written to be; undefined where it is not to scale. */
export function rawLengthOf(sheet: BuildSheet, loopId: string): number | undefined {
  const loops = sheet.loops.map((one) => {
    if (one.id !== loopId) return one
    const { pitches: _pitches, ...rest } = one
    return rest
  })
  const bare = { ...sheet, loops }
  const loop = partsOf(bare).loop(loopId)
  const lies = loop && readDrive(bare).lies(loop)
  return lies?.drawn === 'toScale' ? lies.pitches - lies.slackPitches : undefined
}
