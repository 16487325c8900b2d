import type { EntryKind, EntryOf, Phase } from '../model/entry'
import type { Kept } from './jobSoFar'

interface Keeps {
  readonly kept: Readonly<Kept>
}

/** The lines of a kind that are kept, in the order in which their things were first spoken of. */
export const allOf = <K extends EntryKind>({ kept }: Keeps, kind: K): readonly EntryOf<K>[] => [
  ...((kept[kind] as ReadonlyMap<string, EntryOf<K>> | undefined)?.values() ?? []),
]

/** The last line of a kind on one thing: a valve, a camshaft, a bank. */
export const lastOf = <K extends EntryKind>({ kept }: Keeps, kind: K, thing: string): EntryOf<K> | undefined =>
  (kept[kind] as ReadonlyMap<string, EntryOf<K>> | undefined)?.get(thing)

/** The same in one phase. */
export const lastIn = <K extends 'lash' | 'topLift'>(keeps: Keeps, kind: K, phase: Phase, camId: string) =>
  lastOf(keeps, kind, `${phase} ${camId}`)
