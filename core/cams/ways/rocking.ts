import type { BuildSheet, Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { wrapToSigned } from '../../units'
import { findRoot } from '../../geometry'
import { camSpec } from '../camSpec'
import { lobeOfShape, MEMBERS, mostApart, type Lobe, type LobeFigures, type Member } from '../lobeFamily'
import { EVENT_SIGMA_DEG } from './valveEvents'
import { DIAL_SIGMA_MM, withShape, withZero, type ReadBy, type CamWay, type ReadLateness } from './way'

export const rockingShape = entryShape(
  'rocking',
  'Both valves of a cylinder at overlap TDC: their lifts, or the wheel where the two were the same',
  {
    cylinderId: field.id('The cylinder'),
    phase: field.phase,
    read: field
      .eitherBy('by', [
        field.group({
          by: field.exactly('lifts'),
          inletMm: field.between('Lift of the inlet valve at overlap TDC, mm', 0, 100),
          exhaustMm: field.between('Lift of the exhaust valve at overlap TDC, mm', 0, 100),
        }),
        field.group({ by: field.exactly('equal'), wheelDeg: field.onWheel('Where both are open alike') }),
      ])
      .describe('What was read'),
  },
)

type Pair = { readonly inlet: Cam; readonly exhaust: Cam }
interface Lifts {
  readonly inletMm: number
  readonly exhaustMm: number
}

/** Both lobes of a cylinder, degrees from their own centres to overlap TDC, and what the book says they lift there. */
interface Rocks {
  readonly inlet: Lobe
  readonly exhaust: Lobe
}

/** Further than this no rocking was meant: the valves stand on other flanks. */
const MOST_LATE_DEG = 45

/** Lateness from both valves of a cylinder at overlap TDC, where one camshaft carries both lobes: by how late the two lobes together would lift what was
 *  read, less what the book's lobes have there. The ± holds every shape of lobe that the book leaves open; without a top lift one is taken that
 *  lifts as much as both were lifted together. Two camshafts leave two answers, and it says so. Source: handbook 12. */
export function latenessFromRocking(
  { sheet, zero }: Pick<ReadBy, 'sheet' | 'zero'>,
  pair: Pair,
  read: Lifts,
): ReadLateness {
  const rocking = rockingOf(sheet, pair, read.inletMm + read.exhaustMm)
  if (typeof rocking === 'string') return rocking
  const { own, family, at, book } = rocking
  const less = read.exhaustMm - read.inletMm
  const late = (rocks: Rocks, from: number | undefined) => lateOf(rocks, at, from, less)
  const latenessDeg = late(own, book)
  const slope = slopeOf(own, at, latenessDeg ?? 0)
  if (latenessDeg === undefined || slope < 1e-4) return 'outsideLobe'
  const apart = (from: number | undefined) =>
    mostApart(
      late(own, from) ?? latenessDeg,
      family.map((rocks) => late(rocks, from)),
    )
  const shapeDeg = apart(book)
  return {
    latenessDeg,
    sigmaDeg: withShape(Math.hypot((DIAL_SIGMA_MM * Math.SQRT2) / slope, zero.sigmaDeg), shapeDeg),
    ...openBy(family, shapeDeg, book === undefined ? apart(differenceOf(own, at, 0)) : undefined),
  }
}

/** Lateness from where on the wheel both valves stand equally open, against where the book's lobes do: "so many degrees past rocking". */
export function latenessFromEqualLift(
  { sheet, zero, wheelSigmaAt }: ReadBy,
  pair: Pair,
  wheelDeg: number,
  eventSigmaDeg: number,
): ReadLateness {
  const rocking = rockingOf(sheet, pair, undefined)
  if (typeof rocking === 'string') return rocking
  const { own, family, at, book } = rocking
  // A cam that is early by so much stands alike at TDC: on the book's cam they stand alike that much after it.
  const alike = (rocks: Rocks, from: number | undefined) => lateOf(rocks, at, from, 0)
  const equalDeg = alike(own, book)
  if (equalDeg === undefined) return 'outsideLobe'
  const shapeDeg = mostApart(
    equalDeg,
    family.map((rocks) => alike(rocks, book)),
  )
  const overlap = (camSpec(sheet, pair.inlet).centreOnCycleDeg ?? 0) + at.inlet
  return {
    latenessDeg: wrapToSigned(wheelDeg - zero.wheelDeg - overlap + equalDeg, 360),
    sigmaDeg: withShape(Math.hypot(eventSigmaDeg, wheelSigmaAt(wheelDeg), zero.sigmaDeg), shapeDeg),
    ...openBy(family, shapeDeg, undefined),
  }
}

/** The tops of two pushrods by straight edge and blade, one sigma, mm. Common practice, no source. */
const TOPS_SIGMA_MM = 0.1

/** Lateness from the tops of a cylinder's two pushrods, its head off and the crank at its overlap TDC: how much higher the exhaust's stands, as lift of what
 *  the book's lifts are told of. `noSpec`: the lobes are not known, or the rocker ratio is wanted and is not on the sheet. */
export function latenessFromPushrods(sheet: BuildSheet, cylinderId: string, exhaustHigherMm: number): ReadLateness {
  const pair = pairOf(sheet, cylinderId)
  if (!pair) return 'noSpec'
  const rocking = rockingOf(sheet, pair, undefined)
  if (typeof rocking === 'string') return rocking
  const { own, family, at, book } = rocking
  const perMm = pair.inlet.measuredAt === 'follower' ? 1 : pair.inlet.rockerRatio?.value
  if (perMm === undefined && exhaustHigherMm !== 0) return 'noSpec'
  const less = exhaustHigherMm * (perMm ?? 1)
  const latenessDeg = lateOf(own, at, book, less)
  const slope = slopeOf(own, at, latenessDeg ?? 0)
  if (latenessDeg === undefined || slope < 1e-4) return 'outsideLobe'
  const shapeDeg = mostApart(
    latenessDeg,
    family.map((rocks) => lateOf(rocks, at, book, less)),
  )
  return {
    latenessDeg,
    sigmaDeg: withShape((TOPS_SIGMA_MM * (perMm ?? 1.5)) / slope, shapeDeg),
    ...openBy(family, shapeDeg, undefined),
  }
}

/** Both valves of a cylinder. */
function pairOf(sheet: BuildSheet, cylinderId: string): Pair | undefined {
  const [inlet, exhaust] = (['inlet', 'exhaust'] as const).map((valve) =>
    sheet.cams.find((cam) => cam.cylinderId === cylinderId && cam.valve === valve),
  )
  return inlet && exhaust && { inlet, exhaust }
}

const openBy = (family: readonly Rocks[], shapeDeg: number, withTdcLift: number | undefined) => ({
  ...(family.length > 0 ? { shapeDeg } : {}),
  ...(family.length > 0 && withTdcLift !== undefined ? { shapeWithTdcLiftDeg: withTdcLift } : {}),
})

interface At {
  /** Overlap TDC, from each lobe's centre. */
  readonly inlet: number
  readonly exhaust: number
}

/** Exhaust lift less inlet lift at overlap TDC with the camshaft so late. */
const differenceOf = ({ inlet, exhaust }: Rocks, at: At, lateDeg: number) =>
  exhaust.liftAt(at.exhaust - lateDeg) - inlet.liftAt(at.inlet - lateDeg)

const slopeOf = (rocks: Rocks, at: At, lateDeg: number) =>
  differenceOf(rocks, at, lateDeg + 0.5) - differenceOf(rocks, at, lateDeg - 0.5)

/** How late both together have to be to differ by so much; `from`: what they differ by in the book, where it tells. */
function lateOf(rocks: Rocks, at: At, from: number | undefined, toMm: number): number | undefined {
  const shift = from === undefined ? 0 : differenceOf(rocks, at, 0) - from
  const off = (lateDeg: number) => differenceOf(rocks, at, lateDeg) - shift - toMm
  if (off(-MOST_LATE_DEG) > 0 || off(MOST_LATE_DEG) < 0) return undefined
  return findRoot(off, -MOST_LATE_DEG, MOST_LATE_DEG)
}

/** The lobes of both valves, and every pair of the same shape that the book leaves open. `togetherMm`: what both were lifted, where no top lift is
 *  known. */
function rockingOf(sheet: BuildSheet, { inlet, exhaust }: Pair, togetherMm: number | undefined) {
  if (inlet.shaftId !== exhaust.shaftId) return 'twoCamshafts' as const
  const [i, e] = [camSpec(sheet, inlet), camSpec(sheet, exhaust)]
  if (!i.figures.centre || !e.figures.centre) return 'noSpec' as const
  const at: At = { inlet: -i.figures.centre.value, exhaust: e.figures.centre.value }
  const [bookIn, bookEx] = [i, e].map(({ figures: { tdcLift } }) =>
    tdcLift?.from === 'given' ? tdcLift.value : undefined,
  )
  const book = bookIn === undefined || bookEx === undefined ? undefined : bookEx - bookIn
  if (i.profile && e.profile) {
    const own: Rocks = { inlet: i.profile, exhaust: e.profile }
    const lobe = (spec: typeof i, member: Member) => spec.family?.[MEMBERS.indexOf(member)] ?? (spec.profile as Lobe)
    const open = i.family !== undefined || e.family !== undefined
    const family = open ? PAIRS.map(([a, b]): Rocks => ({ inlet: lobe(i, a), exhaust: lobe(e, b) })) : []
    return { own, at, book, family }
  }
  if (!i.withTop || !e.withTop) return 'noProfile' as const
  const topped = withUnknownTop({ inlet: i.withTop, exhaust: e.withTop }, at, togetherMm)
  return topped.length === 0 ? ('outsideLobe' as const) : { own: topped[0] as Rocks, at, book, family: topped }
}

const unlikeness = (pair: readonly Member[]) => pair.reduce((sum, { unlike }) => sum + Math.abs(unlike), 0)
/** Inlet and exhaust of the same shape, each with its own flanks; the plainest first. */
const PAIRS: readonly (readonly [Member, Member])[] = MEMBERS.flatMap((a) =>
  MEMBERS.flatMap((b) => (a.shape === b.shape ? [[a, b] as const] : [])),
).sort((a, b) => unlikeness(a) - unlikeness(b))

/** Top lifts of whatever engine, against the checking lift. Ours. */
const TOPS = [8, 16, 32] as const

/** Lobes of every shape whose top lift nobody told: such that both lift together what was read, or of several where only their being alike was. */
function withUnknownTop(
  figures: { readonly inlet: (top: number) => LobeFigures; readonly exhaust: (top: number) => LobeFigures },
  at: At,
  togetherMm: number | undefined,
): Rocks[] {
  const rocks = ([a, b]: (typeof PAIRS)[number], top: number): Rocks => ({
    inlet: lobeOfShape(figures.inlet(top), a),
    exhaust: lobeOfShape(figures.exhaust(top), b),
  })
  const { checkingLiftMm } = figures.inlet(1)
  if (togetherMm === undefined) return TOPS.flatMap((times) => PAIRS.map((pair) => rocks(pair, times * checkingLiftMm)))
  const [least, most] = [1.1 * checkingLiftMm, 100 * checkingLiftMm]
  // The top is sought once for each shape, with both flanks alike.
  const plain = PAIRS.filter((pair) => unlikeness(pair) === 0)
  const tops = plain.flatMap((pair): [number, number][] => {
    const over = (top: number) => {
      const { inlet, exhaust } = rocks(pair, top)
      return inlet.liftAt(at.inlet) + exhaust.liftAt(at.exhaust) - togetherMm
    }
    return over(least) > 0 || over(most) < 0 ? [] : [[pair[0].shape, findRoot(over, least, most)]]
  })
  const topOf = new Map(tops)
  return PAIRS.flatMap((pair) => {
    const top = topOf.get(pair[0].shape)
    return top === undefined ? [] : rocks(pair, top)
  })
}

export const rocking: CamWay<'rocking'> = {
  shaftOf: (sheet, read) => sheet.cams.find(({ cylinderId }) => cylinderId === read.cylinderId)?.shaftId,
  thingOf: ({ cylinderId }) => cylinderId,
  lateness: withZero((bench, { cylinderId, read }) => {
    const pair = pairOf(bench.sheet, cylinderId)
    if (!pair) return 'noSpec'
    return read.by === 'lifts'
      ? latenessFromRocking(bench, pair, read)
      : latenessFromEqualLift(bench, pair, read.wheelDeg, EVENT_SIGMA_DEG)
  }),
  leansOnWheel: true,
  samples: [
    { kind: 'rocking', cylinderId: 'cyl-1', phase: 'found', read: { by: 'lifts', inletMm: 1, exhaustMm: 1.2 } },
    { kind: 'rocking', cylinderId: 'cyl-1', phase: 'found', read: { by: 'equal', wheelDeg: 3 } },
  ],
}
