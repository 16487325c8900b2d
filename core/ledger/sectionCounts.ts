import { byId } from '../byId'
import {
  latenessByCounts,
  foundBetween,
  markSeat,
  pitchesFromCount,
  sectionsCounted,
  toothWorth,
  type Section,
  type SectionCount,
  type MemberLateness,
  readDrive,
} from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import type { EntryOf, Phase } from '../model/entry'
import { partsOf } from '../sheet'
import { allOf } from './kept'

export type Counted = Pick<
  EntryOf<'count'>,
  'loopId' | 'fromMarkId' | 'toMarkId' | 'rule' | 'counted' | 'phase' | 'fromTeeth' | 'toTeeth'
>

/** Counts of the ledger as pitches found in the sections of a loop, the last of each. One that cannot tell, as no tooth at its end or not the right one
 *  was counted to, gives none. */
export function sectionCounts(sections: readonly Section[], counts: readonly Counted[]): SectionCount[] {
  return sections.flatMap(({ id, from, to, loopId, expected, cannotTell }) => {
    const count = counts.findLast(
      (one) => one.loopId === loopId && one.fromMarkId === from.id && one.toMarkId === to.id,
    )
    if (!count || cannotTell) return []
    const { counted, rule, fromTeeth, toTeeth } = count
    const pitches = pitchesFromCount({ counted, rule, from: markSeat(from), to: markSeat(to) })
    const foundPitches = foundBetween(expected ?? AT_THE_MARKS, { pitches, fromTeeth, toTeeth })
    return foundPitches === undefined ? [] : [{ sectionId: id, foundPitches }]
  })
}

const AT_THE_MARKS = { fromTeeth: 0, toTeeth: 0 }

/** How many pitches late each wheel has to stand on its loop for its camshaft to be right, because it was set otherwise on its shaft since the marks
 *  were cut (a hub moved so that the cam is later wants its wheel earlier), or because its marks are not what they seem. */
export type Seats = Readonly<Record<string, number>>

/** In a job: where they had to stand when it came in, by earlier ones, and where they have to now. */
export interface JobSeats {
  readonly found: Seats
  readonly now: Seats
}

/** The same places for whatever was counted. */
export const alike = (seats: Seats): JobSeats => ({ found: seats, now: seats })

export const BY_THE_BOOK: JobSeats = alike({})

/** Where wheels have to stand after adjusters were moved. A driver set otherwise on its shaft, as by a key at the crank, takes every count with it: what it
 *  drives comes later or earlier with the same pins between the marks. */
export function seatsAfter(
  sheet: BuildSheet,
  before: Seats,
  adjusted: readonly Pick<EntryOf<'adjusted'>, 'adjusterId' | 'laterDeg'>[],
): Seats {
  const seats: Record<string, number> = byId(Object.entries(before))
  for (const { adjusterId, laterDeg } of adjusted) {
    const memberId = partsOf(sheet).adjuster(adjusterId)?.memberId
    const member = partsOf(sheet).member(memberId)
    const shaft = partsOf(sheet).shaft(member?.shaftId)
    if (!member?.teeth || !shaft) continue
    const { crankDeg } = toothWorth(member.teeth.value, readDrive(sheet).ratioOf(shaft))
    // A driver that makes its loop later wants what it drives earlier: by their marks that is itself later.
    const drives = sheet.loops.some((loop) => readDrive(sheet).driverOf(loop)?.id === member.id)
    seats[member.id] = (seats[member.id] ?? 0) + ((drives ? 1 : -1) * laterDeg) / crankDeg
  }
  return seats
}

/** Marks that cannot be seen in a job. */
export const hiddenMarks = (keeps: Parameters<typeof allOf>[0]): ReadonlySet<string> =>
  new Set(allOf(keeps, 'markHidden').flatMap(({ markId, is }) => (is === 'hidden' ? [markId] : [])))

/** Sections with the counts that are right for where the wheels have to stand. */
export const withSeats = (sections: readonly Section[], seats: Seats): Section[] =>
  sections.map((section) => {
    const shift = (seats[section.from.memberId] ?? 0) - (seats[section.to.memberId] ?? 0)
    const { expected } = section
    return !expected || shift === 0
      ? section
      : { ...section, expected: { ...expected, pitches: expected.pitches + shift } }
  })

/** Everything the counts of one phase say of a loop: its sections, what was found in them, how late each wheel stands. */
export function readLoop(
  sheet: BuildSheet,
  loop: Loop,
  counts: readonly EntryOf<'count'>[],
  phase?: Phase,
  seats: JobSeats = BY_THE_BOOK,
): {
  readonly sections: readonly Section[]
  readonly found: readonly SectionCount[]
  readonly lateness: readonly MemberLateness[]
} {
  const drive = readDrive(sheet)
  // What was found was counted before anything was set otherwise.
  const own = phase ? counts.filter((one) => one.phase === phase) : counts
  const every = sectionsCounted(drive.sections(loop), own)
  const sections = withSeats(every, phase === 'found' ? seats.found : seats.now)
  const found = sectionCounts(sections, own)
  return { sections, found, lateness: latenessByCounts(sheet, sections, found, drive.driverOf(loop)?.id) }
}
