import { MM_PER, type LengthUnit } from '../units'

/** A single figure of the book is right to within this much: a thou either way. Common practice, no source. */
export const SINGLE_LASH_HALF_MM = 0.0254

const SAME_MM = 1e-9

/** How a gap stands to what the book wants. */
export type GapVerdict = 'within' | 'tight' | 'wide' | 'cannotTell' | 'noBook'

/** The gap against the book's: one figure, or two that it has to lie between, both included. `halfMm`: a single figure is right to within this
 *  much. A gap that one blade goes into and the next does not lies between the two: across a limit it cannot be told. Millimetres; the margin is how far inside (+) or outside (-) the nearer limit it lies. */
export function judgeGap(
  gap: number | { readonly goMm: number; readonly noGoMm: number },
  { lashMm, lashToMm }: { readonly lashMm?: number | undefined; readonly lashToMm?: number | undefined },
  halfMm = SINGLE_LASH_HALF_MM,
): { readonly verdict: GapVerdict; readonly marginMm: number; readonly leastMm: number; readonly mostMm: number } {
  if (lashMm === undefined) return { verdict: 'noBook', marginMm: 0, leastMm: 0, mostMm: 0 }
  const [leastMm, mostMm] =
    lashToMm === undefined
      ? [Math.max(0, lashMm - halfMm), lashMm + halfMm]
      : [Math.min(lashMm, lashToMm), Math.max(lashMm, lashToMm)]
  const [goMm, noGoMm] = typeof gap === 'number' ? [gap, gap] : [gap.goMm, gap.noGoMm]
  const insideMm = Math.min(goMm - leastMm, mostMm - noGoMm)
  const middleMm = (goMm + noGoMm) / 2
  const outsideMm = Math.min(middleMm - leastMm, mostMm - middleMm)
  if (insideMm >= -SAME_MM) return { verdict: 'within', marginMm: insideMm, leastMm, mostMm }
  const verdict = noGoMm < leastMm + SAME_MM ? 'tight' : goMm > mostMm - SAME_MM ? 'wide' : 'cannotTell'
  return { verdict, marginMm: outsideMm, leastMm, mostMm }
}

/** A gap that no valve has, and what was likely meant: ".007 in" for a 0.07 that stands without a unit or with the wrong one. Millimetres. */
export function oddGap(
  typedValue: number,
  unit: LengthUnit | undefined,
  bookMm: number | undefined,
): { readonly asMm: number; readonly meant: readonly { readonly mm: number; readonly words: string }[] } | undefined {
  const per = MM_PER[unit ?? 'mm']
  const asMm = typedValue * per
  const [least, most] = bookMm === undefined ? [0.08, 0.8] : [bookMm / 2.5, bookMm * 3]
  if (asMm >= least && asMm <= most) return undefined
  const ways = [
    { mm: typedValue, words: `${typedValue} mm` },
    { mm: typedValue * 25.4, words: `${typedValue} in` },
    { mm: (typedValue / 10) * 25.4, words: `${trim(typedValue / 10)} in` },
    { mm: typedValue * 0.0254, words: `${typedValue} thou` },
    { mm: typedValue / 100, words: `${trim(typedValue / 100)} mm` },
  ]
  return { asMm, meant: ways.filter(({ mm }) => mm >= least && mm <= most && Math.abs(mm - asMm) > 1e-9) }
}

const trim = (value: number) => String(Math.round(value * 1e6) / 1e6).replace(/^0\./, '.')

/** Between a blade that goes and one that does not; the other way about is refused. */
export const bracket = (goMm: number, noGoMm: number) =>
  noGoMm > goMm ? { gapMm: (goMm + noGoMm) / 2, halfMm: (noGoMm - goMm) / 2 } : undefined

/** The gap that a screw leaves when it is turned back so far from nothing. Millimetres at the screw. */
export const screwGapMm = (turnedDeg: number, pitchMm: number) => (turnedDeg / 360) * pitchMm
