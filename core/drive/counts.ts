import type { BookCount, BuildSheet, Loop, Mark } from '../model/buildSheet'
import type { CountRule } from '../model/entry'
import { partsOf } from '../sheet'
import { ratioValue, wrapToCycle } from '../units'
import { countedTooth, MARGIN_TEETH } from './countedTooth'
import { gapZeroDeg, markAngleDeg, markSeat } from './positions'
import type { SolvedLoop } from './solveLoop'

type Seat = 'gap' | 'tip'

/** Pitches from mark to mark for a number somebody counted, by the rule they count by.
 *  A mark in a gap has a pin under it, counted or not: half a pitch each way. A tip has none. */
export function pitchesFromCount({
  counted,
  rule,
  from,
  to,
}: {
  counted: number
  rule: CountRule
  from: Seat
  to: Seat
}): number {
  return (
    counted -
    endHalf(from, rule === 'both' || rule === 'firstOnly') -
    endHalf(to, rule === 'both' || rule === 'lastOnly')
  )
}

/** The number a person would say for so many pitches, by their rule. */
export const countFromPitches = ({ pitches, ...rest }: { pitches: number; rule: CountRule; from: Seat; to: Seat }) =>
  pitches - pitchesFromCount({ counted: 0, ...rest })

const endHalf = (seat: Seat, counts: boolean) => (seat === 'tip' ? 0 : counts ? 0.5 : -0.5)

export interface ExpectedCount {
  readonly pitches: number
  readonly otherRunPitches: number | undefined
  /** Derived: the whole less the others that a book gives. */
  readonly from: 'geometry' | 'book' | 'derived'
  /** It is counted from and to the teeth that stand so many on from their marks, + = along the loop's travel; 0 = from the mark itself. */
  readonly fromTeeth: number
  readonly toTeeth: number
  /** Geometry and book count side by side when both are known and differ by half a pitch or more. */
  readonly contradicts?: { readonly geometry: number; readonly book: number }
}

/** Pitches to expect from mark to mark in the reference pose with no slack in the run: a real number.
 *  The tight run is the one that arrives at the crank; its count goes from the cam mark, with the loop's travel.
 *  From geometry when the drive is to scale and both marks' directions are known, else from the sheet's own count. Where a mark does not stand well on the wrap of its
 *  wheel it is counted from or to a named tooth. `wrapTooShort`: there is no such tooth, and no count tells. Undefined when neither is known. */
export function expectedCount(
  sheet: BuildSheet,
  solved: SolvedLoop | undefined,
  from: Mark,
  to: Mark,
): ExpectedCount | 'wrapTooShort' | undefined {
  const book = sheet.counts.find(({ fromMarkId, toMarkId }) => fromMarkId === from.id && toMarkId === to.id)
  // Where paint stands when the marks meet nobody knows.
  const isPaint = from.cutFor === 'paint' || to.cutFor === 'paint'
  const geometry = solved?.drawn === 'toScale' && !isPaint ? geometricCount(sheet, solved, from, to) : undefined
  if (geometry === undefined) return book && bookCount(book, partsOf(sheet).loop(solved?.loopId)?.pitches?.value)
  if (geometry === 'wrapTooShort') return geometry
  const markToMark = geometry.pitches - geometry.toTeeth + geometry.fromTeeth
  const value = book?.pitches.value
  return value !== undefined && Math.abs(value - markToMark) >= 0.5
    ? { ...geometry, contradicts: { geometry: markToMark, book: value } }
    : geometry
}

const bookCount = (book: BookCount, whole: number | undefined): ExpectedCount => ({
  pitches: book.pitches.value,
  otherRunPitches: whole === undefined ? undefined : whole - book.pitches.value,
  from: 'book',
  fromTeeth: 0,
  toTeeth: 0,
})

function geometricCount(
  sheet: BuildSheet,
  solved: SolvedLoop,
  from: Mark,
  to: Mark,
): ExpectedCount | 'wrapTooShort' | undefined {
  const [start, end] = [from, to].map((mark) => countedToothOf(sheet, solved, mark))
  if (!start || !end) return undefined
  if (start === 'wrapTooShort' || end === 'wrapTooShort') return 'wrapTooShort'
  const pitches = wrapToCycle(end.atPitches - start.atPitches, solved.path.pitches)
  return {
    pitches,
    otherRunPitches: solved.path.pitches - pitches,
    from: 'geometry',
    fromTeeth: start.teeth,
    toTeeth: end.teeth,
  }
}

/** The tooth that is counted to at a mark; undefined while it is not known how its wheel sits. */
function countedToothOf(sheet: BuildSheet, solved: SolvedLoop, mark: Mark) {
  const teeth = partsOf(sheet).member(mark.memberId)?.teeth?.value
  const gapZero = gapZeroDeg(sheet, mark.memberId)
  if (!teeth || gapZero === undefined) return undefined
  const deg = gapZero + markAngleDeg(mark, teeth)
  const marginTeeth = mark.memberId === solved.driverId ? 0 : MARGIN_TEETH
  return countedTooth(solved.path, { memberId: mark.memberId, teeth, deg, marginTeeth })
}

/** What was counted as pitches between the teeth that are expected to be counted between, whichever it was counted between; undefined where it was counted
 *  to a mark that does not stand well on the wrap, which says nothing. */
export function foundBetween(
  { fromTeeth, toTeeth }: Pick<ExpectedCount, 'fromTeeth' | 'toTeeth'>,
  found: { readonly pitches: number; readonly fromTeeth?: number | undefined; readonly toTeeth?: number | undefined },
): number | undefined {
  const [from, to] = [found.fromTeeth ?? 0, found.toTeeth ?? 0]
  const blind = (expected: number, counted: number) => expected !== 0 && counted === 0
  if (blind(fromTeeth, from) || blind(toTeeth, to)) return undefined
  return found.pitches + (toTeeth - to) - (fromTeeth - from)
}

export interface CountVerdict {
  readonly foundPitches: number
  readonly expectedPitches: number
  /** Whole pitches over (+) or short (-). */
  readonly pitchesOut: number
  /** Lateness of the driven shaft, crank degrees, as counted, and what stays when the whole teeth are put right. */
  readonly latenessDeg: number
  readonly leftoverDeg: number
  readonly toothCrankDeg: number
  /** Teeth to lay the loop over the driven sprocket, + = further in the running direction; 0 = leave it. */
  readonly layTeeth: number
  readonly suspicion: 'otherRun' | 'bothEndsCounted' | 'noEndCounted' | undefined
}

/** What a count says. Counted with the loop's travel from the cam mark to the crank mark along the tight run, one too few
 *  means one tooth early; the cure for one too few there is one tooth further in the running direction. Counted along
 *  the slack run, from the crank mark, it is the other way about. Source: handbook 8. */
export function judgeCount({
  foundPitches,
  expected,
  run,
  drivenTeeth,
  ratio,
}: {
  foundPitches: number
  expected: ExpectedCount
  run: 'tight' | 'slack'
  drivenTeeth: number
  ratio: { num: number; den: number }
}): CountVerdict {
  const toothCrankDeg = 360 / drivenTeeth / Math.abs(ratioValue(ratio))
  const sign = run === 'tight' ? 1 : -1
  const over = foundPitches - expected.pitches
  const pitchesOut = Math.round(over) + 0
  const latenessDeg = sign * over * toothCrankDeg
  return {
    foundPitches,
    expectedPitches: expected.pitches,
    pitchesOut,
    latenessDeg,
    leftoverDeg: sign * (over - pitchesOut) * toothCrankDeg,
    toothCrankDeg,
    layTeeth: -sign * pitchesOut + 0,
    suspicion: pitchesOut === 0 ? undefined : suspicionOf(foundPitches, expected, pitchesOut),
  }
}

function suspicionOf(found: number, { otherRunPitches }: ExpectedCount, pitchesOut: number): CountVerdict['suspicion'] {
  if (otherRunPitches !== undefined && Math.abs(found - otherRunPitches) < 1 && Math.abs(pitchesOut) > 1)
    return 'otherRun'
  if (pitchesOut === 1) return 'bothEndsCounted'
  if (pitchesOut === -1) return 'noEndCounted'
  return undefined
}

/** The crank and driven marks a loop is counted between, with the driven sprocket: this slice counts between the first
 *  pose mark on each. Undefined until both are on the sheet. */
export function countedMarks(sheet: BuildSheet, loop: Loop, run: 'tight' | 'slack') {
  const shaftOf = (memberId: string) =>
    sheet.shafts.find(({ id }) => id === sheet.members.find((m) => m.id === memberId)?.shaftId)
  const onLoop = sheet.marks.filter(
    ({ memberId, cutFor }) => cutFor === 'pose' && loop.path.some((part) => part.memberId === memberId),
  )
  const crankMark = onLoop.find(({ memberId }) => shaftOf(memberId)?.kind === 'crank')
  const drivenMark = onLoop.find(({ memberId }) => shaftOf(memberId)?.kind === 'cam')
  const driven = sheet.members.find(({ id }) => id === drivenMark?.memberId)
  const shaft = drivenMark && shaftOf(drivenMark.memberId)
  if (!crankMark || !drivenMark || !shaft || !driven) return undefined
  const [from, to] = run === 'tight' ? [drivenMark, crankMark] : [crankMark, drivenMark]
  return { from, to, shaft, driven, fromSeat: markSeat(from), toSeat: markSeat(to) } as const
}
