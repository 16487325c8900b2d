import { explain, type Besides, type Explained, type Observed, type Size } from './evidence'
import { DURATION_CAUSES, type CauseCode, type LobeRead, type Readings } from './readings'
import { LASH_SIGMA_MM, LIFT_SIGMA_MM, TOUCHED, USUAL } from './usual'

/* Causes that lie in the lobes, their lash and how they were read: valves are open for longer or shorter. */

type DurationCode = (typeof DURATION_CAUSES)[number]

interface Row extends Observed {
  readonly kind: 'duration' | 'lash' | 'lift'
  readonly lobe: LobeRead
}

/** How long each lobe stays open against the book, and what was measured of its lash and its top lift. */
export const durationRows = ({ lobes }: Readings): Row[] => lobes.flatMap(rowsOf)

function rowsOf(lobe: LobeRead): Row[] {
  const { duration, lashOverMm, topLiftOverMm } = lobe
  return [
    ...(duration ? [{ kind: 'duration' as const, lobe, value: duration.deg, sigma: duration.sigmaDeg }] : []),
    ...(lashOverMm === undefined ? [] : [{ kind: 'lash' as const, lobe, value: lashOverMm, sigma: LASH_SIGMA_MM }]),
    ...(topLiftOverMm === undefined
      ? []
      : [{ kind: 'lift' as const, lobe, value: topLiftOverMm, sigma: LIFT_SIGMA_MM }]),
  ]
}

/** What one mm of lash too many does to each thing observed. */
const LASH_DOES: { readonly [K in Row['kind']]: (lobe: LobeRead) => number } = {
  duration: ({ perLash = 0 }) => 0 - perLash,
  lash: () => 1,
  lift: () => -0.5,
}
const LIFT_BESIDE_LASH_MM = 0.12

/** What a cause may do to one lobe. */
function sizesOn(code: 'lash' | 'wear', lobe: LobeRead, rows: readonly Row[]): Size[] {
  const does = (of: (kind: Row['kind']) => number) => rows.map((row) => (row.lobe === lobe ? of(row.kind) : 0))
  if (code === 'wear')
    return [
      { ...USUAL.wear, positive: true, does: does((kind) => (kind === 'duration' ? -1 : 0)) },
      { ...USUAL.wearLift, positive: true, does: does((kind) => (kind === 'lift' ? -1 : 0)) },
    ]
  return [
    { ...USUAL.lash, does: does((kind) => LASH_DOES[kind](lobe)) },
    // A dial on the valve sees the lash, one on the follower does not: half of it, and as much either way.
    { sigma: LIFT_BESIDE_LASH_MM, does: does((kind) => (kind === 'lift' ? 1 : 0)) },
  ]
}

/** The lift that everything was read at, off by so much on every lobe. */
const wrongLiftSize = (rows: readonly Row[]): Size => ({
  ...USUAL.wrongLift,
  does: rows.map(({ kind, lobe }) => (kind === 'duration' ? 0 - (lobe.perLash ?? 0) : 0)),
})

export interface DurationSays {
  readonly causes: readonly CauseCode[]
  readonly explained: Explained
  readonly sigmas: readonly number[]
  readonly score: number
  /** mm of lash over, mm of lift gone or mm of lift off; the largest. */
  readonly size: number | undefined
}

/** Everything that may make these durations, of up to so many causes, besides what another one does to them. Each lobe is judged by itself: touched by
 *  the cause, or right. */
export function durationSays(readings: Readings, most: number, besides?: Besides): DurationSays[] {
  const rows = durationRows(readings)
  const base = besides ?? { certain: rows.map(() => 0), sizes: [] }
  const plain = explain(rows, base.certain, base.sizes)
  const sigmas = rows.map(({ sigma }) => sigma)
  const none: DurationSays = { causes: [], explained: plain, sigmas, score: plain.logEvidence, size: undefined }
  const codes = DURATION_CAUSES.filter((code) =>
    code === 'wrongLift'
      ? rows.filter(({ kind, lobe }) => kind === 'duration' && lobe.perLash).length > 1
      : rows.length > 0,
  )
  const pairs = codes.flatMap((a, i) => codes.slice(i + 1).map((b) => [a, b]))
  const sets = [...codes.map((code) => [code]), ...pairs].filter(({ length }) => length <= most)
  return [none, ...sets.flatMap((causes) => sayOf(readings, rows, causes, base) ?? [])]
}

function sayOf(
  { lobes }: Readings,
  rows: readonly Row[],
  causes: readonly DurationCode[],
  base: Besides,
): DurationSays | undefined {
  const lift = causes.includes('wrongLift') ? wrongLiftSize(rows) : undefined
  const left = rows.map((row, i) => ({ ...row, value: row.value - (base.certain[i] ?? 0) }))
  const rest = lift ? withoutLift(left) : left
  const onLobes = causes.filter((code): code is 'lash' | 'wear' => code !== 'wrongLift')
  // Of a lobe that another cause already lets stand as it likes only its measured lash is a witness.
  const isFree = (lobe: LobeRead) => rows.some((row, i) => row.lobe === lobe && base.sizes.some(({ does }) => does[i]))
  const choices = lobes.map((lobe) =>
    isFree(lobe)
      ? choicesOn(
          lobe,
          rest.filter(({ kind }) => kind === 'lash'),
          onLobes.filter((code) => code === 'lash'),
        )
      : choicesOn(lobe, rest, onLobes),
  )
  for (const code of onLobes) if (!touchLikeliest(choices, code)) return undefined
  const touched = lobes.flatMap((lobe, i) => {
    const code = choices[i]?.at(0)?.code
    return code ? [{ lobe, code, sizes: sizesOn(code, lobe, rows) }] : []
  })
  const sizes = [...(lift ? [lift] : []), ...touched.flatMap((one) => one.sizes), ...base.sizes]
  const explained = explain(rows, base.certain, sizes)
  const each = onLobes.length === 0 ? 0 : choices.reduce((sum, [one]) => sum + (one?.often ?? 0), 0)
  const own = touched.map(({ lobe, code }, i) => {
    const found = explained.sizes[(lift ? 1 : 0) + 2 * i] ?? 0
    return code === 'wear' ? found / (lobe.perLash ?? Infinity) : found
  })
  const all = [...(lift ? [explained.sizes[0] ?? 0] : []), ...own]
  const size = all.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0)
  return { causes, explained, sigmas: rows.map(({ sigma }) => sigma), score: explained.logEvidence + each, size }
}

interface Choice {
  readonly code: 'lash' | 'wear' | undefined
  readonly often: number
  readonly score: number
}

/** What a lobe is likeliest to have, the likeliest first. */
function choicesOn(lobe: LobeRead, rows: readonly Row[], codes: readonly ('lash' | 'wear')[]): Choice[] {
  const own = rows.filter((row) => row.lobe === lobe)
  const scoreOf = (sizes: Size[]) =>
    explain(
      own,
      own.map(() => 0),
      sizes,
    ).logEvidence
  const right: Choice = { code: undefined, often: Math.log(1 - TOUCHED), score: scoreOf([]) + Math.log(1 - TOUCHED) }
  if (codes.length === 0 || own.length === 0) return [{ ...right, often: 0 }]
  const often = Math.log(TOUCHED / codes.length)
  const others = codes.map((code): Choice => ({ code, often, score: scoreOf(sizesOn(code, lobe, own)) + often }))
  return [right, ...others].sort((a, b) => b.score - a.score)
}

/** A cause that is said has to touch a lobe: where it is nowhere the likeliest, the lobe that it costs least. False where none can be. */
function touchLikeliest(choices: Choice[][], code: 'lash' | 'wear'): boolean {
  if (choices.some(([first]) => first?.code === code)) return true
  const cost = choices.map((own) => {
    const one = own.find((choice) => choice.code === code)
    return one && own[0] ? own[0].score - one.score : Infinity
  })
  const least = Math.min(...cost)
  const at = cost.indexOf(least)
  const own = choices[at]
  if (!own || least === Infinity) return false
  own.sort((a, b) => Number(b.code === code) - Number(a.code === code) || b.score - a.score)
  return true
}

/** The rows once the middle of all durations is taken for the lift's share, so that each lobe can be judged by itself. */
function withoutLift(rows: readonly Row[]): Row[] {
  const shares = rows
    .flatMap(({ kind, value, lobe }) => (kind === 'duration' && lobe.perLash ? [-value / lobe.perLash] : []))
    .sort((a, b) => a - b)
  const middle = shares[Math.floor((shares.length - 1) / 2)] ?? 0
  return rows.map((row) =>
    row.kind === 'duration' ? { ...row, value: row.value + (row.lobe.perLash ?? 0) * middle } : row,
  )
}
