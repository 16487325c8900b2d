import { markSeat, pitchesFromCount } from '../../drive'
import { latenessOfRead, readZeros } from '../../ledger'
import { crankPlace } from '../../ledger/rotation'
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

/** What was read and counted, and still speaks of the engine. */
export function readingQuestions(w: World): ReadingQuestions {
  const { all, ask, history, knew } = w
  const readsAt = (n: number): Read[] =>
    ask('reads', n, (): Read[] => {
      if (n === 0) return []
      const one = all[n - 1] as Happening
      const were = readsAt(n - 1)
      if (one.kind === 'begins') return one.job.arrival === 'chainOff' ? [] : were
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
      if (one.kind !== 'camMark' && one.kind !== 'camSet') return kept
      if (one.kind === 'camSet' && w.isLoose(one.shaftId, n - 1)) return kept
      const way = w.wayTo(one.shaftId, on)
      if (
        one.kind === 'camMark' &&
        one.phase === 'found' &&
        way.some((link) => w.lastChangedIn(link, n - 1) === one.jobId)
      )
        return kept
      const proves = way.every(
        (link) => w.linkIs(link, n - 1) === 'on' && w.changesOf(link, n - 1).every((change) => knew(one, change)),
      )
      const atMark = one.kind === 'camSet' ? markSeen(one, n - 1) : undefined
      if (one.kind === 'camSet' && !atMark) return kept
      return [...kept, { entry: one, shaft: one.shaftId, proves, atMark, total: w.total(n - 1) }]
    })
  const markSeen = (one: Extract<Entry, { kind: 'camSet' }>, n: number) => {
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
    const past = wrap(at - pose, on.cycleDeg)
    return Math.abs(past) > 45 ? undefined : { latenessDeg: past + one.offDeg * 2, sigmaDeg: 2 }
  }
  const zerosOf = (id: string) =>
    ask(`zeros ${id}`, 0, () =>
      readZeros(
        all.filter((one): one is Entry => one.kind !== 'begins' && one.jobId === id),
        history.sheetOf(id),
      ),
    )
  const saidBy = (read: Read): Lateness | undefined => {
    if (read.atMark) return read.atMark
    if (read.entry.kind !== 'camMark') return undefined
    const said = latenessOfRead(history.sheetOf(read.entry.jobId), zerosOf(read.entry.jobId), read.entry)
    return typeof said === 'string' ? undefined : said
  }
  const countsAt = (loopId: string, n: number): Count[] =>
    ask(`counts ${loopId}`, n, () => {
      if (n === 0) return []
      const one = all[n - 1] as Happening
      const were = countsAt(loopId, n - 1)
      const link: Link = { kind: 'loop', id: loopId }
      if (one.kind === 'begins')
        return one.job.arrival === 'chainOff' && w.isOnSheet(link, one.sheet) && w.linkIs(link, n - 1) === 'on'
          ? []
          : were
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1)) return []
      if (w.settles(link, n - 1)) return []
      const act = w.acts(link, n - 1)
      // A loop of two wheels: whichever it was moved over, every count ends on it.
      if (act) return []
      if (one.kind !== 'count' || one.loopId !== loopId) return were
      if (one.phase === 'found' && w.lastChangedIn(link, n - 1) === one.jobId) return were
      return w.changesOf(link, n - 1).every((change) => knew(one, change)) ? [...were, one] : were
    })
  const teethLate = (loopId: string, n: number): Late | undefined => {
    const counts = countsAt(loopId, n)
    const count = counts.at(-1)
    const on = count && history.sheetOf(count.jobId)
    const book = on?.counts.find((one) => one.fromMarkId === count?.fromMarkId && one.toMarkId === count.toMarkId)
    if (!count || !on || !book) return undefined
    const seat = (id: string) => markSeat(on.marks.find((mark) => mark.id === id) as never)
    const found = pitchesFromCount({
      counted: count.counted,
      rule: count.rule,
      from: seat(count.fromMarkId),
      to: seat(count.toMarkId),
    })
    const exact =
      found - book.pitches.value - seatOf(on.marks.find((mark) => mark.id === count.fromMarkId)?.memberId, n)
    return { teeth: Math.round(exact), exact, total: w.total(all.indexOf(count)) }
  }
  /** How many teeth late a wheel has to stand on its loop, since its hub was moved: a cam made later wants its wheel earlier. */
  const seatOf = (memberId: string | undefined, n: number): number =>
    all.slice(0, n).reduce((sum, one) => {
      if (one.kind !== 'adjusted') return sum
      const on = history.sheets.find(({ id }) => id === one.sheetId)
      const wheel = on?.members.find(
        ({ id }) => id === on.adjusters.find((adjuster) => adjuster.id === one.adjusterId)?.memberId,
      )
      return wheel?.id === memberId && wheel?.teeth ? sum - one.laterDeg / ((360 / wheel.teeth.value) * 2) : sum
    }, 0)
  const toothOf = (shaft: string, on: BuildSheet) => {
    const loop = w.wayTo(shaft, on).findLast(({ kind }) => kind === 'loop')
    const path = on.loops.find(({ id }) => id === loop?.id)?.path ?? []
    const wheel = on.members.find(
      ({ id, shaftId, teeth }) =>
        teeth &&
        path.some(({ memberId }) => memberId === id) &&
        on.shafts.some((one) => one.id === shaftId && one.kind !== 'crank'),
    )
    return (360 / (wheel?.teeth?.value ?? 36)) * 2
  }
  const safeOut = (shaft: string, on: BuildSheet) => on.safeOutDeg?.value ?? Math.min(20, toothOf(shaft, on))
  const says = ({ latenessDeg, sigmaDeg }: Lateness, safe: number) =>
    Math.abs(latenessDeg) + 2 * sigmaDeg <= safe
      ? 'in'
      : 2 * sigmaDeg <= safe || Math.abs(latenessDeg) > safe
        ? 'out'
        : 'cannotTell'
  const lastOfEach = (shaft: string, n: number) => {
    const own = readsAt(n).filter((read) => read.shaft === shaft)
    return own.filter((read) => own.findLast((other) => other.entry.kind === read.entry.kind) === read)
  }
  return { readsAt, saidBy, teethLate, toothOf, safeOut, says, lastOfEach }
}
