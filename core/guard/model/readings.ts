import { markSeat, pitchesFromCount } from '../../drive'
import { latenessOfRead, readZeros } from '../../ledger'
import { crankPlace, type Rotation } from '../../ledger/rotation'
import type { BuildSheet, Entry } from '../../model'
import type { Happening } from './history'
import {
  wrap,
  type Count,
  type Late,
  type Lateness,
  type Link,
  type Read,
  type ReadingQuestions,
  type World,
} from './world'

const readsAt =
  (w: World) =>
  (n: number): Read[] =>
    w.ask('reads', n, (): Read[] => {
      if (n === 0) return []
      const one = w.all[n - 1] as Happening
      const were = w.readsAt(n - 1)
      if (one.kind === 'begins') return one.job.arrival === 'everyLoopOff' ? [] : were
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1)) return []
      const on = w.sheetAt(n)
      const touchedNow = w
        .linksAt(n)
        .concat(w.linksAt(n - 1))
        .filter((link) => w.acts(link, n - 1) !== undefined)
      const settledNow =
        one.kind === 'settled' &&
        (one.part.about === 'loop' || one.part.about === 'coupling') &&
        !w.linkDisputed({ kind: one.part.about, id: one.part.id }, n)
          ? [{ kind: one.part.about, id: one.part.id }]
          : []
      const dropped = [...touchedNow, ...settledNow].flatMap((link) => w.behind(link, on))
      const kept = were.filter(({ shaft }) => !dropped.includes(shaft))
      if (one.kind !== 'camMark' && one.kind !== 'camSet' && one.kind !== 'camAtMark') return kept
      if (one.kind === 'camSet' && w.isLoose(one.shaftId, n - 1)) return kept
      const way = w.wayTo(one.shaftId, on)
      if (
        one.kind !== 'camSet' &&
        one.phase === 'found' &&
        way.some((link) => w.lastChangedIn(link, n - 1) === one.jobId)
      )
        return kept
      const proves = way.every(
        (link) => w.linkIs(link, n - 1) === 'on' && w.changesOf(link, n - 1).every((change) => w.knew(one, change)),
      )
      const atMark = one.kind === 'camSet' ? markSeen(w)(one, n - 1) : undefined
      if (one.kind === 'camSet' && !atMark) return kept
      return [...kept, { entry: one, shaft: one.shaftId, proves, atMark, total: w.total(n - 1) }]
    })

const markSeen = (w: World) => (one: Extract<Entry, { kind: 'camSet' }>, n: number) => {
  const { rotation, poseSeen, against } = w.crankAt(n)
  const on = w.sheetAt(n + 1)
  const { deg } = crankPlace(rotation, on, undefined).place
  const pose = on.referencePose.crankDeg.value
  const at =
    rotation.reference && deg !== undefined
      ? deg
      : poseSeen === undefined
        ? undefined
        : pose + rotation.totalDeg - poseSeen
  if (at === undefined || against) return undefined
  if (one.markId !== undefined && !on.marks.some(({ id }) => id === one.markId)) return undefined
  const mark = on.marks.find(({ id }) => id === one.markId) ?? markOn(on, one.shaftId)
  const past = wrap(at - (mark?.meetsAtDeg?.value ?? pose), on.cycleDeg)
  if (Math.abs(past) > 45) return undefined
  const exact = mark?.exact ?? (one.markId === undefined ? { how: 'exact' } : { how: 'halfTooth' })
  const teeth = on.members.find(({ id }) => id === mark?.memberId)?.teeth?.value ?? NaN
  const cut = exact.how === 'exact' ? 0 : 90 / teeth
  return { latenessDeg: past + one.offDeg * 2, sigmaDeg: Math.hypot(2, 2 * cut, byMark(rotation)) }
}

const byMark = ({ reference }: Rotation) => reference?.byMark?.sigmaDeg ?? 0

const markOn = (on: BuildSheet, shaft: string) =>
  on.marks.find(({ memberId }) => on.members.some(({ id, shaftId }) => id === memberId && shaftId === shaft))

/** Seen by a mark, it tells a tooth while two sigma stay under half of one. */
const tells =
  (w: World) =>
  ({ entry, shaft }: Read, { sigmaDeg }: Lateness, on: BuildSheet) =>
    entry.kind === 'camMark' || 2 * sigmaDeg < w.toothOf(shaft, on) / 2

const zerosOf = (w: World) => (id: string) =>
  w.ask(`zeros ${id}`, 0, () =>
    readZeros(
      w.all.filter((one): one is Entry => one.kind !== 'begins' && one.jobId === id),
      w.history.sheetOf(id),
    ),
  )

const saidBy =
  (w: World) =>
  (read: Read): Lateness | undefined => {
    if (read.atMark) return read.atMark
    if (read.entry.kind !== 'camMark' && read.entry.kind !== 'camAtMark') return undefined
    const said = latenessOfRead(w.history.sheetOf(read.entry.jobId), zerosOf(w)(read.entry.jobId), read.entry)
    return typeof said === 'string' ? undefined : said
  }

const countsAt =
  (w: World) =>
  (link: Link, n: number): Count[] =>
    w.ask(`counts ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return []
      const one = w.all[n - 1] as Happening
      const were = countsAt(w)(link, n - 1)
      if (one.kind === 'begins')
        return link.kind === 'loop' &&
          one.job.arrival === 'everyLoopOff' &&
          w.isOnSheet(link, one.sheet) &&
          w.linkIs(link, n - 1) === 'on'
          ? []
          : were
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1)) return []
      if (w.settles(link, n - 1)) return []
      const act = w.acts(link, n - 1)
      // A loop of two wheels: whichever it was moved over, every count ends on it.
      if (act) return []
      const counts = one.kind === 'count' ? one.loopId : one.kind === 'meshCount' ? one.couplingId : undefined
      if ((one.kind !== 'count' && one.kind !== 'meshCount') || counts !== link.id) return were
      if (one.phase === 'found' && w.lastChangedIn(link, n - 1) === one.jobId) return were
      return w.changesOf(link, n - 1).every((change) => w.knew(one, change)) ? [...were, one] : were
    })

/** In the walks two gears have as many teeth as each other: every turn of either brings the marks together again. */
const meshLate = (w: World, count: Extract<Count, { kind: 'meshCount' }>): Late => {
  const on = w.history.sheetOf(count.jobId)
  const mesh = on.couplings.find(({ id }) => id === count.couplingId)
  const teeth = on.members.find(({ id }) => id === mesh?.toId)?.teeth?.value ?? NaN
  const late = wrap(count.teeth, teeth)
  return { teeth: late, exact: late, total: w.total(w.all.indexOf(count)) }
}

const teethLate =
  (w: World) =>
  (link: Link, n: number): Late | undefined => {
    const counts = countsAt(w)(link, n)
    const count = counts.at(-1)
    if (count?.kind === 'meshCount') return meshLate(w, count)
    const on = count && w.history.sheetOf(count.jobId)
    // A chain that is on the sheet of that job no more is read by nothing.
    if (!on?.loops.some(({ id }) => id === link.id)) return undefined
    const book = on.counts.find((one) => one.fromMarkId === count?.fromMarkId && one.toMarkId === count.toMarkId)
    if (!count || !on || !book) return undefined
    const seat = (id: string) => markSeat(on.marks.find((mark) => mark.id === id) as never)
    const found = pitchesFromCount({
      counted: count.counted,
      rule: count.rule,
      from: seat(count.fromMarkId),
      to: seat(count.toMarkId),
    })
    const exact =
      found - book.pitches.value - seatOf(w)(on.marks.find((mark) => mark.id === count.fromMarkId)?.memberId, n)
    return { teeth: Math.round(exact), exact, total: w.total(w.all.indexOf(count)) }
  }

/** How many teeth late a wheel has to stand on its loop, since its hub was moved: a cam made later wants its wheel earlier. */
const seatOf =
  (w: World) =>
  (memberId: string | undefined, n: number): number =>
    w.all.slice(0, n).reduce((sum, one) => {
      if (one.kind !== 'adjusted') return sum
      const on = w.history.sheets.find(({ id }) => id === one.sheetId)
      const member = on?.members.find(
        ({ id }) => id === on.adjusters.find((adjuster) => adjuster.id === one.adjusterId)?.memberId,
      )
      return member?.id === memberId && member?.teeth ? sum - one.laterDeg / ((360 / member.teeth.value) * 2) : sum
    }, 0)

const toothOf = (w: World) => (shaft: string, on: BuildSheet) => {
  const loop = w.wayTo(shaft, on).findLast(({ kind }) => kind === 'loop')
  const path = on.loops.find(({ id }) => id === loop?.id)?.path ?? []
  const member = on.members.find(
    ({ id, shaftId, teeth }) =>
      teeth &&
      path.some(({ memberId }) => memberId === id) &&
      on.shafts.some((one) => one.id === shaftId && one.kind !== 'crank'),
  )
  return (360 / (member?.teeth?.value ?? 36)) * 2
}

const safeOut = (w: World) => (shaft: string, on: BuildSheet) =>
  on.safeOutDeg?.value ?? Math.min(20, w.toothOf(shaft, on))

const says = ({ latenessDeg, sigmaDeg }: Lateness, safe: number) =>
  Math.abs(latenessDeg) + 2 * sigmaDeg <= safe
    ? 'in'
    : 2 * sigmaDeg <= safe || Math.abs(latenessDeg) > safe
      ? 'out'
      : 'cannotTell'

const lastOfEach = (w: World) => (shaft: string, n: number) => {
  const own = w.readsAt(n).filter((read) => read.shaft === shaft)
  return [...new Set(own.map(({ entry }) => entry.kind))].map((kind) => {
    const [last, before] = own.filter(({ entry }) => entry.kind === kind).reverse()
    const [says, said] = [last && w.saidBy(last), before && w.saidBy(before)]
    const apart = says && said ? Math.abs(says.latenessDeg - said.latenessDeg) : 0
    const other = says && said && apart > 2 * Math.hypot(says.sigmaDeg, said.sigmaDeg) ? before : undefined
    return { last: last as Read, other }
  })
}

/** What was read and counted, and still speaks of the engine. */
export const readingQuestions = (w: World): ReadingQuestions => ({
  readsAt: readsAt(w),
  saidBy: saidBy(w),
  teethLate: teethLate(w),
  toothOf: toothOf(w),
  safeOut: safeOut(w),
  says,
  tells: tells(w),
  lastOfEach: lastOfEach(w),
})
