import type { BookCount, BuildSheet, Loop, Mark } from '../model/buildSheet'
import type { CountRule } from '../model/entry'
import { ratioValue, wrapToCycle } from '../units'
import { placeOnPath } from './path'
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
  readonly from: 'geometry' | 'book'
  /** Whole teeth to the nearest engaged tooth when a mark stands off the wrap, + = along the loop's travel. */
  readonly movedFrom: number
  readonly movedTo: number
  /** Geometry and book count side by side when both are known and differ by half a pitch or more. */
  readonly contradicts?: { readonly geometry: number; readonly book: number }
}

/** Pitches to expect from mark to mark in the reference pose with no slack in the run: a real number.
 *  The tight run is the one that arrives at the crank; its count goes from the cam mark, with the loop's travel.
 *  From geometry when the drive is to scale and both marks' directions are known, else from the sheet's own count;
 *  undefined when neither is known. */
export function expectedCount(
  sheet: BuildSheet,
  solved: SolvedLoop | undefined,
  from: Mark,
  to: Mark,
): ExpectedCount | undefined {
  const book = sheet.counts.find(({ fromMarkId, toMarkId }) => fromMarkId === from.id && toMarkId === to.id)
  const geometry = solved?.drawn === 'toScale' ? geometricCount(sheet, solved, from, to) : undefined
  if (!geometry) return book && bookCount(book, solved)
  const value = book?.pitches.value
  return value !== undefined && Math.abs(value - geometry.pitches) >= 0.5
    ? { ...geometry, contradicts: { geometry: geometry.pitches, book: value } }
    : geometry
}

const bookCount = (book: BookCount, solved: SolvedLoop | undefined): ExpectedCount => ({
  pitches: book.pitches.value,
  otherRunPitches: solved && solved.pitches - book.pitches.value,
  from: 'book',
  movedFrom: 0,
  movedTo: 0,
})

function geometricCount(sheet: BuildSheet, solved: SolvedLoop, from: Mark, to: Mark): ExpectedCount | undefined {
  const places = [from, to].map((mark) => {
    const teeth = sheet.members.find(({ id }) => id === mark.memberId)?.teeth?.value
    const gapZero = gapZeroDeg(sheet, mark.memberId)
    if (!teeth || gapZero === undefined) return undefined
    return placeOnPath(solved.path, { memberId: mark.memberId, teeth, deg: gapZero + markAngleDeg(mark, teeth) })
  })
  const [start, end] = places
  if (!start || !end) return undefined
  const pitches = wrapToCycle(end.atPitches - start.atPitches, solved.path.pitches)
  return {
    pitches,
    otherRunPitches: solved.path.pitches - pitches,
    from: 'geometry',
    movedFrom: start.movedTeeth,
    movedTo: end.movedTeeth,
  }
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
