import { allOf, type JobState } from '../ledger'
import type { EntryOf } from '../model/entry'

/** Something that came off in a job, with its number in the order in which it did. */
export interface Removal {
  readonly n: number
  readonly entry: EntryOf<'tookOff'>
  /** Put back, or left off on purpose; undefined while it lies on the bench. */
  readonly back: EntryOf<'putBack'> | undefined
}

/** What came off in a job, in its order. What came off again after it was put back is off. */
export function removalsOf(state: Pick<JobState, 'kept' | 'live'>): readonly Removal[] {
  const at = new Map(state.live.map(({ id }, i) => [id, i]))
  const place = (id: string) => at.get(id) ?? -1
  const backs = allOf(state, 'putBack')
  return allOf(state, 'tookOff')
    .toSorted((a, b) => place(a.id) - place(b.id))
    .map((entry, i) => ({
      n: i + 1,
      entry,
      back: backs.find((one) => one.removalId === entry.removalId && place(one.id) > place(entry.id)),
    }))
}

/** What is still off, in the order in which it goes back: the last that came off first. */
export const toRefit = (removals: readonly Removal[]): readonly Removal[] =>
  removals.filter(({ back }) => !back).toReversed()

/** What came off after something and is not back yet: it goes on before it. */
export const goesBefore = (removals: readonly Removal[], removalId: string): readonly Removal[] => {
  const own = removals.find(({ entry }) => entry.removalId === removalId)
  return own ? removals.filter(({ n, back }) => n > own.n && !back) : []
}

/** What went back otherwise than it was, or was left off: told on the card. */
export const differsFromFound = (removals: readonly Removal[]): readonly Removal[] =>
  removals.filter(({ back }) => back && back.as !== 'same')

/** Small parts of one kind at one place: how many came out, and how many were fitted. */
export interface Tally {
  readonly what: string
  readonly where: string
  readonly out: number
  readonly fitted: number
}

/** Small parts as they were counted, kind by kind and place by place. Told alike whatever the case they were written in. */
export function talliesOf(state: Pick<JobState, 'kept'>): readonly Tally[] {
  const tallies = new Map<string, Tally>()
  for (const { what, where, change, n } of allOf(state, 'smallParts')) {
    const key = `${what}|${where}`.trim().toLowerCase()
    const before = tallies.get(key) ?? { what, where, out: 0, fitted: 0 }
    tallies.set(key, { ...before, [change]: before[change] + n })
  }
  return [...tallies.values()]
}

/** Fewer or more fitted than came out. Where none came out, nothing is owed. */
export const talliesOpen = (tallies: readonly Tally[]): readonly Tally[] =>
  tallies.filter(({ out, fitted }) => out > 0 && out !== fitted)

/** How a thing lay when it came off in an earlier job, and how it went back then. */
export interface FoundBefore {
  readonly job: string
  readonly entry: EntryOf<'tookOff'>
  readonly back: EntryOf<'putBack'> | undefined
}

/** How a thing of the same name lay when it last came off in an earlier job; undefined where nobody wrote that down. `earlier`: what came off in those jobs, by their labels, the
 *  newest first. */
export function foundBefore(
  earlier: readonly { readonly job: string; readonly removals: readonly Removal[] }[],
  what: string,
): FoundBefore | undefined {
  const name = what.trim().toLowerCase()
  if (name === '') return undefined
  return earlier
    .flatMap(({ job, removals }) => removals.map(({ entry, back }) => ({ job, entry, back })))
    .find(({ entry }) => entry.lies !== '' && entry.what.trim().toLowerCase() === name)
}
