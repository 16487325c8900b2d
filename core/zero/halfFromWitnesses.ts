import type { Evidence } from '../model/entry'
import { wrapToSigned } from '../units'

export interface HalfWitness {
  readonly entryId: string
  readonly evidence: Evidence
  /** Where the crank stands on the cycle if the witness is right, minus the turns entered since: one number per journey. */
  readonly originDeg: number
  readonly cycleDeg: number
}

export type Half =
  | { readonly known: 'unknown' }
  | { readonly known: 'conflict'; readonly entryIds: readonly string[] }
  | { readonly known: 'read' | 'proved'; readonly originDeg: number; readonly entryIds: readonly string[] }

/** Lobes and rocking look at the same valves of the same cylinder: together they are one witness. */
const independence: Record<Evidence, string | undefined> = {
  thumb: 'air past the thumb',
  lobes: 'own valves',
  rocking: 'own valves',
  companionRocking: 'companion valves',
  // A lock or line that fits at firing TDC fits at overlap as well.
  lockFits: undefined,
}

/** Firing or overlap TDC from evidence: unknown, in conflict, read (one witness) or proved (two independent ones).
 *  Witnesses taken at different times agree when, brought to one origin through the turns between, they are
 *  closer than a quarter of a cycle. Source: handbook 3. */
export function halfFromWitnesses(witnesses: readonly HalfWitness[]): Half {
  const counting = witnesses.filter(({ evidence }) => independence[evidence] !== undefined)
  const [first] = counting
  if (!first) return { known: 'unknown' }
  const entryIds = counting.map(({ entryId }) => entryId)
  const agree = counting.every(
    ({ originDeg, cycleDeg }) => Math.abs(wrapToSigned(originDeg - first.originDeg, cycleDeg)) < cycleDeg / 4,
  )
  if (!agree) return { known: 'conflict', entryIds }
  const independent = new Set(counting.map(({ evidence }) => independence[evidence]))
  return { known: independent.size >= 2 ? 'proved' : 'read', originDeg: first.originDeg, entryIds }
}

/** What to look at next: the first look, in the order of how much it tells for how little work, that is not given yet and does not
 *  see the same thing as one that is. Undefined when two independent witnesses are in. */
export function nextLook(
  given: readonly Evidence[],
  { hasCompanion, loopsOn }: { readonly hasCompanion: boolean; readonly loopsOn: boolean },
): Evidence | undefined {
  const seen = new Set(given.flatMap((evidence) => independence[evidence] ?? []))
  if (seen.size >= 2) return undefined
  const order: Evidence[] = loopsOn ? ['thumb', 'lobes', ...(hasCompanion ? (['companionRocking'] as const) : [])] : []
  return order.find((evidence) => !seen.has(independence[evidence] ?? ''))
}
