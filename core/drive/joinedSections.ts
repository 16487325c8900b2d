import type { ExpectedCount } from './counts'
import type { Section } from './sections'

/** The stretch of a loop from one mark to another, neighbours or not, as it travels: its sections end to end. What is expected of it is their sum; slack lies on
 *  it where it lies on one of them. Undefined where the marks are not both on the loop. */
export function sectionBetween(
  sections: readonly Section[],
  fromMarkId: string,
  toMarkId: string,
): Section | undefined {
  const start = sections.findIndex(({ from }) => from.id === fromMarkId)
  if (start < 0 || fromMarkId === toMarkId) return undefined
  const onward = [...sections.slice(start), ...sections.slice(0, start)]
  const last = onward.findIndex(({ to }) => to.id === toMarkId)
  return last < 0 ? undefined : onward.slice(0, last + 1).reduce(join)
}

/** Two sections that follow each other as one. The mark between them is passed over, so it does not matter to which tooth of it they were counted. */
function join(a: Section, b: Section): Section {
  return {
    ...a,
    id: `${a.from.id}>${b.to.id}`,
    to: b.to,
    run: a.run === 'slack' || b.run === 'slack' ? 'slack' : 'tight',
    expected: a.expected && b.expected && joinExpected(a.expected, b.expected),
    cannotTell: a.cannotTell || b.cannotTell,
  }
}

const joinExpected = (a: ExpectedCount, b: ExpectedCount): ExpectedCount => ({
  pitches: a.pitches - a.toTeeth + (b.pitches + b.fromTeeth),
  otherRunPitches: a.otherRunPitches === undefined ? undefined : a.otherRunPitches - b.pitches,
  from: a.from === b.from ? a.from : 'derived',
  fromTeeth: a.fromTeeth,
  toTeeth: b.toTeeth,
})

/** The sections that can be counted while some marks cannot be seen: those over a hidden mark become one. None while fewer than two marks are left. */
export function sectionsWithout(sections: readonly Section[], hidden: ReadonlySet<string>): readonly Section[] {
  if (hidden.size === 0) return sections
  const seen = sections.map(({ from }) => from.id).filter((id) => !hidden.has(id))
  if (seen.length < 2) return []
  return seen.flatMap((id, i) => sectionBetween(sections, id, seen[(i + 1) % seen.length] as string) ?? [])
}

/** Every section there is, and those that were counted over several of them at once. */
export function sectionsCounted(
  sections: readonly Section[],
  counts: readonly { readonly loopId: string; readonly fromMarkId: string; readonly toMarkId: string }[],
): readonly Section[] {
  const joined = new Map<string, Section>()
  for (const { loopId, fromMarkId, toMarkId } of counts) {
    const id = `${fromMarkId}>${toMarkId}`
    if (sections[0]?.loopId !== loopId || sections.some((one) => one.id === id)) continue
    const section = sectionBetween(sections, fromMarkId, toMarkId)
    if (section) joined.set(id, section)
  }
  return joined.size === 0 ? sections : [...sections, ...joined.values()]
}
