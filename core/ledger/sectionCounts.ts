import {
  latenessByCounts,
  markSeat,
  pitchesFromCount,
  sectionsOf,
  solveLoop,
  type Section,
  type SectionCount,
  type WheelLateness,
} from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import type { EntryOf, Phase } from '../model/entry'

/** Counts of the ledger as pitches found in the sections of a loop, the last of each. */
export function sectionCounts(sections: readonly Section[], counts: readonly EntryOf<'count'>[]): SectionCount[] {
  return sections.flatMap(({ id, from, to, loopId }) => {
    const count = counts.findLast(
      (one) => one.loopId === loopId && one.fromMarkId === from.id && one.toMarkId === to.id,
    )
    if (!count) return []
    const { counted, rule } = count
    return [
      { sectionId: id, foundPitches: pitchesFromCount({ counted, rule, from: markSeat(from), to: markSeat(to) }) },
    ]
  })
}

/** Everything the counts of one phase say of a loop: its sections, what was found in them, how late each wheel stands. */
export function readLoop(
  sheet: BuildSheet,
  loop: Loop,
  counts: readonly EntryOf<'count'>[],
  phase?: Phase,
): {
  readonly sections: readonly Section[]
  readonly found: readonly SectionCount[]
  readonly lateness: readonly WheelLateness[]
} {
  const solved = solveLoop(sheet, loop)
  const drawn = solved.ok ? solved.value : undefined
  const sections = sectionsOf(sheet, loop, drawn)
  const found = sectionCounts(sections, phase ? counts.filter((one) => one.phase === phase) : counts)
  return { sections, found, lateness: latenessByCounts(sheet, sections, found, drawn?.driverId) }
}
