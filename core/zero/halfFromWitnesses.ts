import type { Evidence } from '../model/entry'
import { wrapToSigned } from '../units'

export interface HalfWitness {
  readonly evidence: Evidence
  /** Where the crank stands on the cycle if the witness is right, minus the turns entered since: one number per journey. */
  readonly originDeg: number
  readonly cycleDeg: number
}

export type Half =
  | { readonly known: 'unknown' }
  | { readonly known: 'conflict' }
  | { readonly known: 'read' | 'proved'; readonly originDeg: number }

/** What all witnesses so far come to: however many there are, a step on costs the same. */
export interface HalfSoFar {
  readonly originDeg: number | undefined
  readonly agree: boolean
  /** The independent things that were looked at. */
  readonly seen: readonly string[]
}

export const NO_WITNESS: HalfSoFar = { originDeg: undefined, agree: true, seen: [] }

/** Lobes and rocking look at the same valves of the same cylinder: together they are one witness. */
const independence: Record<Evidence, string | undefined> = {
  thumb: 'air past the thumb',
  lobes: 'own valves',
  rocking: 'own valves',
  companionRocking: 'companion valves',
  // A lock or line that fits at firing TDC fits at overlap as well.
  lockFits: undefined,
}

/** One witness more. Witnesses taken at different times agree when, brought to one origin through the turns between, they are closer than a quarter
 *  of a cycle to the first. */
export function withWitness(before: HalfSoFar, { evidence, originDeg, cycleDeg }: HalfWitness): HalfSoFar {
  const looksAt = independence[evidence]
  if (looksAt === undefined) return before
  const first = before.originDeg ?? originDeg
  return {
    originDeg: first,
    agree: before.agree && Math.abs(wrapToSigned(originDeg - first, cycleDeg)) < cycleDeg / 4,
    seen: before.seen.includes(looksAt) ? before.seen : [...before.seen, looksAt],
  }
}

/** Firing or overlap TDC from evidence: unknown, in conflict, read (one witness) or proved (two independent ones). Source: handbook 3. */
export function halfOf({ originDeg, agree, seen }: HalfSoFar): Half {
  if (originDeg === undefined) return { known: 'unknown' }
  if (!agree) return { known: 'conflict' }
  return { known: seen.length >= 2 ? 'proved' : 'read', originDeg }
}

export const halfFromWitnesses = (witnesses: readonly HalfWitness[]): Half =>
  halfOf(witnesses.reduce(withWitness, NO_WITNESS))

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
