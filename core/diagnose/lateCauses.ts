import { byId } from '../byId'
import { explain, type Besides, type Explained, type Observed, type Size } from './evidence'
import { LATE_CAUSES, type CauseCode, type LobeRead, type PerPart, type Readings, type ShaftRead } from './readings'
import { MOST_TEETH, TEETH_OFTEN, USUAL } from './usual'

/* Causes that make camshafts late, or a mark say so. */

type LateCode = (typeof LATE_CAUSES)[number] | 'mark'

/** Something read that tells how late a camshaft is, or how large a cause was found by measuring it. */
interface Row extends Observed {
  readonly of:
    | { readonly kind: 'lobe'; readonly shaft: ShaftRead; readonly lobe: LobeRead }
    | { readonly kind: 'mark' | 'count'; readonly shaft: ShaftRead }
    | { readonly kind: 'elongation' | 'skimmed' | 'meshCount'; readonly part: string }
}

/** A count tells the whole tooth of two gears that mesh tooth for tooth; one sigma, teeth. */
const MESH_COUNT_SIGMA = 0.2

/** Everything read that causes of this kind have to explain. */
export function lateRows({ shafts, lobes, elongation, skimmed, meshCounts }: Readings): Row[] {
  const rows: Row[] = []
  for (const lobe of lobes) {
    const shaft = shafts.find(({ shaftId }) => shaftId === lobe.shaftId)
    if (!shaft) continue
    rows.push({ value: lobe.latenessDeg, sigma: lobe.sigmaDeg, onOneTurn: true, of: { kind: 'lobe', shaft, lobe } })
  }
  for (const shaft of shafts) {
    const { mark, count } = shaft
    if (mark) rows.push({ value: mark.latenessDeg, sigma: mark.sigmaDeg, onOneTurn: true, of: { kind: 'mark', shaft } })
    if (count) rows.push({ ...count, of: { kind: 'count', shaft } })
  }
  for (const [part, one] of Object.entries(elongation ?? {})) rows.push({ ...one, of: { kind: 'elongation', part } })
  for (const [part, one] of Object.entries(skimmed ?? {})) rows.push({ ...one, of: { kind: 'skimmed', part } })
  for (const [part, value] of Object.entries(meshCounts ?? {}))
    rows.push({ value, sigma: MESH_COUNT_SIGMA, of: { kind: 'meshCount', part } })
  return rows
}

/** A size of a cause, with the part that it is a size of. */
interface PartSize extends Size {
  readonly code: LateCode
  readonly part: string
}

/** One way in which a cause can be: sizes that are free. */
type Way = readonly PartSize[]

/** What one unit does to every row: to lobes and marks of each shaft, and to what was measured of the part itself. */
function doesTo(
  rows: readonly Row[],
  {
    late,
    itself,
  }: { late: (shaft: ShaftRead, kind: 'lobe' | 'mark') => number; itself?: Row['of']['kind']; part?: string },
  part: string,
): number[] {
  return rows.map(({ of }) => {
    if (of.kind === 'lobe' || of.kind === 'mark') return late(of.shaft, of.kind)
    return 'part' in of && of.kind === itself && of.part === part ? 1 : 0
  })
}

const partsIn = (
  readings: Readings,
  per: (shaft: ShaftRead) => PerPart | undefined,
  known: PerPart | undefined | object,
) => [...new Set([...readings.shafts.flatMap((shaft) => Object.keys(per(shaft) ?? {})), ...Object.keys(known ?? {})])]

/** Every part at once, each with its own size: loops stretch and heads are skimmed together. */
function everyPart(readings: Readings, rows: readonly Row[], code: 'stretch' | 'skim' | 'slack'): Way[] {
  const per = {
    stretch: (one: ShaftRead) => one.perStretch,
    skim: (one: ShaftRead) => one.perSkim,
    slack: (one: ShaftRead) => one.perSlack,
  }[code]
  const known = { stretch: readings.elongation, skim: readings.skimmed, slack: undefined }[code]
  const itself = ({ stretch: 'elongation', skim: 'skimmed', slack: undefined } as const)[code]
  const parts = partsIn(readings, per, known)
  if (!readings.shafts.some((shaft) => Object.keys(per(shaft) ?? {}).length > 0)) return []
  return [
    parts.map((part): PartSize => {
      const { sigma, most } = code === 'stretch' && known?.[part] ? USUAL.stretchMeasured : USUAL[code]
      const does = doesTo(rows, { late: (shaft) => per(shaft)?.[part] ?? 0, ...(itself ? { itself } : {}) }, part)
      return { code, part, does, sigma, most, positive: true }
    }),
  ]
}

/** The ways in which each cause can be, but for whole teeth. */
const waysOf: {
  readonly [K in Exclude<LateCode, 'teeth' | 'gearTeeth'>]: (readings: Readings, rows: readonly Row[]) => Way[]
} = {
  stretch: (readings, rows) => everyPart(readings, rows, 'stretch'),
  skim: (readings, rows) => everyPart(readings, rows, 'skim'),
  // Nothing lies on the pulled run that came to every reading.
  slack: (readings, rows) => (readings.cameRunning ? [] : everyPart(readings, rows, 'slack')),
  zeroOff: ({ zero }, rows) =>
    zero.proved ? [] : [[{ code: 'zeroOff', part: '', ...USUAL.zeroOff, does: doesTo(rows, { late: () => 1 }, '') }]],
  crankKey: ({ shafts }, rows) =>
    [...new Set(shafts.flatMap(({ crankWheelId }) => crankWheelId ?? []))].map((wheelId) => [
      {
        code: 'crankKey',
        part: wheelId,
        ...USUAL.crankKey,
        does: doesTo(rows, { late: ({ crankWheelId }) => (crankWheelId === wheelId ? 1 : 0) }, wheelId),
      },
    ]),
  slipped: ({ shafts }, rows) =>
    shafts.flatMap(({ shaftId, canSlip }): Way[] =>
      canSlip
        ? [
            [
              {
                code: 'slipped',
                part: shaftId,
                ...USUAL.slipped,
                does: doesTo(
                  rows,
                  {
                    late: (shaft, kind) =>
                      shaft.shaftId === shaftId && !(kind === 'mark' && shaft.mark?.onWheel) ? 1 : 0,
                  },
                  shaftId,
                ),
              },
            ],
          ]
        : [],
    ),
  mark: ({ shafts }, rows) => {
    const each = shafts.flatMap(({ shaftId, mark }): PartSize[] =>
      mark
        ? [
            {
              code: 'mark',
              part: shaftId,
              ...USUAL.mark,
              does: doesTo(
                rows,
                { late: (shaft, kind) => (kind === 'mark' && shaft.shaftId === shaftId ? 1 : 0) },
                shaftId,
              ),
            },
          ]
        : [],
    )
    return [...each.map((one) => [one]), ...(each.length > 1 ? [each] : [])]
  },
}

/** Whole teeth, by camshaft or by mesh. */
type Teeth = PerPart

export interface LateSays {
  readonly causes: readonly CauseCode[]
  readonly explained: Explained
  readonly sigmas: readonly number[]
  /** Evidence, and how often such teeth are met. */
  readonly score: number
  readonly sizes: Readonly<Partial<Record<CauseCode, PerPart>>>
  readonly teeth: Teeth
  readonly gearTeeth: Teeth
}

interface Idea {
  readonly causes: readonly LateCode[]
  readonly ways: readonly PartSize[]
}

/** Everything that may make these readings, of up to so many causes, besides what another one does. */
export function lateSays(readings: Readings, most: number, besides?: Besides): LateSays[] {
  const rows = lateRows(readings)
  const more = [...(besides?.sizes ?? []), ...zeroNoise(readings, rows)]
  const of = ideas(readings, rows).filter(({ causes }) => causes.length <= most)
  return of.flatMap(({ causes, ways }) => {
    const sizes = [...ways, ...more]
    const base = besides?.certain ?? rows.map(() => 0)
    return teethTried(readings, rows, causes, { certain: base, sizes }).flatMap((tried): LateSays[] => {
      const explained = explain(rows, tried.certain, sizes)
      return [
        {
          causes,
          explained,
          sigmas: rows.map(({ sigma }) => sigma),
          score: explained.logEvidence + tried.often,
          sizes: sizesOf(ways, explained),
          teeth: tried.teeth,
          gearTeeth: tried.gearTeeth,
        },
      ]
    })
  })
}

/** What the zero itself may be off by, within its ±: common to everything that was read from it. */
export const zeroNoise = ({ zero }: Readings, rows: readonly Row[]): Size[] =>
  zero.sigmaDeg > 0 ? [{ does: doesTo(rows, { late: () => 1 }, ''), sigma: zero.sigmaDeg }] : []

function sizesOf(ways: readonly PartSize[], { sizes }: Explained): LateSays['sizes'] {
  const found: Partial<Record<CauseCode, Record<string, number>>> = {}
  ways.forEach(({ code, part }, i) => ((found[code] ??= byId())[part] = sizes[i] ?? 0))
  return found
}

function ideas(readings: Readings, rows: readonly Row[]): Idea[] {
  const single = ([...LATE_CAUSES, 'mark'] as const).flatMap((code): Idea[] => {
    if (code === 'teeth') return readings.shafts.some(({ toothDeg }) => toothDeg) ? [{ causes: [code], ways: [] }] : []
    if (code === 'gearTeeth') return meshesOf(readings).length > 0 ? [{ causes: [code], ways: [] }] : []
    return waysOf[code](readings, rows).map((ways) => ({ causes: [code], ways }))
  })
  const pairs = single.flatMap((a, i) =>
    single
      .slice(i + 1)
      .flatMap((b): Idea[] =>
        a.causes[0] === b.causes[0] ? [] : [{ causes: [...a.causes, ...b.causes], ways: [...a.ways, ...b.ways] }],
      ),
  )
  return [{ causes: [], ways: [] }, ...single, ...pairs]
}

const meshesOf = ({ shafts }: Readings) => [
  ...new Set(shafts.flatMap(({ perMeshTooth }) => Object.keys(perMeshTooth ?? {}))),
]

interface Tried {
  readonly certain: readonly number[]
  readonly teeth: Teeth
  readonly gearTeeth: Teeth
  /** How often such teeth are met, its logarithm. */
  readonly often: number
}

/** What whole teeth to try: none, or those nearest to what is left of each camshaft, and one more or less on each and on all. */
function teethTried(
  readings: Readings,
  rows: readonly Row[],
  causes: readonly LateCode[],
  { certain, sizes }: Besides,
): Tried[] {
  const meshes = causes.includes('gearTeeth') ? meshesOf(readings) : []
  const gears =
    meshes.length === 0
      ? [byId<number>()]
      : meshes.flatMap((mesh) => [-2, -1, 1, 2].map((n) => byId([[mesh, n] as const])))
  return gears.flatMap((gearTeeth) => {
    const byGears = rows.map(({ of }, i) => (certain[i] ?? 0) + gearLate(of, gearTeeth))
    if (!causes.includes('teeth')) return [tried(rows, byGears, byId(), gearTeeth)]
    return patterns(readings, rows, byGears, sizes).map((teeth) => tried(rows, byGears, teeth, gearTeeth))
  })
}

function gearLate(of: Row['of'], gearTeeth: Teeth): number {
  if (of.kind === 'meshCount') return gearTeeth[of.part] ?? 0
  if (of.kind !== 'lobe' && of.kind !== 'mark') return 0
  return Object.entries(of.shaft.perMeshTooth ?? {}).reduce((sum, [mesh, deg]) => sum + deg * (gearTeeth[mesh] ?? 0), 0)
}

function tried(rows: readonly Row[], byGears: readonly number[], teeth: Teeth, gearTeeth: Teeth): Tried {
  const certain = rows.map(({ of }, i) =>
    of.kind === 'lobe' || of.kind === 'mark' || of.kind === 'count'
      ? (byGears[i] ?? 0) + (teeth[of.shaft.shaftId] ?? 0) * (of.shaft.toothDeg ?? 0)
      : (byGears[i] ?? 0),
  )
  const ofTeeth = (n: number) => Math.log(TEETH_OFTEN[Math.abs(n)] ?? 1e-4)
  const each = Object.values(teeth)
  const apart = each.reduce((sum, n) => sum + ofTeeth(n), 0)
  // All alike: laid over the wheel on the crank by so many.
  const alike = each.length > 1 && each.every((n) => n === each[0]) ? ofTeeth(each[0] ?? 0) + Math.log(0.5) : -Infinity
  const gears = Object.values(gearTeeth).reduce((sum, n) => sum + ofTeeth(n), 0)
  return { certain, teeth, gearTeeth, often: Math.max(apart, alike) + gears }
}

function patterns(
  readings: Readings,
  rows: readonly Row[],
  byGears: readonly number[],
  sizes: readonly Size[],
): Teeth[] {
  const shafts = readings.shafts.filter(({ toothDeg }) => toothDeg)
  const free = shafts.map(({ shaftId }): Size => ({
    sigma: 40,
    does: rows.map(({ of }) =>
      (of.kind === 'lobe' || of.kind === 'mark' || of.kind === 'count') && of.shaft.shaftId === shaftId ? 1 : 0,
    ),
  }))
  const left = explain(rows, byGears, [...free, ...sizes.map(({ most: _most, ...size }) => size)])
  const nearest = shafts.map(({ toothDeg }, i) => Math.round((left.sizes[i] ?? 0) / (toothDeg ?? 1)) + 0)
  const more = [
    nearest,
    ...shafts.flatMap((_, i) => [-1, 1].map((n) => nearest.map((k, j) => (i === j ? k + n : k)))),
    ...(shafts.length > 1 ? [-1, 1].map((n) => nearest.map((k) => k + n)) : []),
  ]
  return more
    .filter((ks) => ks.some((k) => k !== 0) && ks.every((k) => Math.abs(k) <= MOST_TEETH))
    .map((ks) => byId(shafts.map(({ shaftId }, i) => [shaftId, ks[i] ?? 0] as const)))
}
