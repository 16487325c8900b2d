import type { Section, SectionCount } from './sections'

/** Whether what was found between the marks of a loop is what is expected read the other way round it: the loop was put on by lines or painted links that were
 *  read backwards, and has to be turned round. Said only of three runs or more, two of them counted at least, all of which fit so to less than half a pitch,
 *  and one of which is out by two or more as it stands: less is a tooth. With two runs it cannot be told from having counted the other one. Source: handbook 8 and 12, common practice. */
export function isTurnedRound(sections: readonly Section[], counts: readonly SectionCount[]): boolean {
  const n = sections.length
  const found = sections.flatMap(({ id }, i) => {
    const count = counts.findLast(({ sectionId }) => sectionId === id)
    return count ? [{ i, pitches: count.foundPitches }] : []
  })
  const expected = sections.map((one) => one.expected?.pitches)
  if (n < 3 || found.length < 2) return false
  const isNear = (pitches: number, other: number | undefined) => other !== undefined && Math.abs(pitches - other) < 0.5
  if (found.every(({ i, pitches }) => Math.abs(pitches - (expected[i] ?? pitches)) < 1.5)) return false
  // Whichever of its lines lies at the driver's mark.
  return sections.some((_section, first) =>
    found.every(({ i, pitches }) => isNear(pitches, expected[(2 * n + first - i) % n])),
  )
}
