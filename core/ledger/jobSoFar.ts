import { byId } from '../byId'
import type { EntryKind, EntryOf } from '../model/entry'
import type { CamRead } from './camWitnesses'

/** Lines that are kept as they are, by kind: every one, or the last on each thing. */
export type Kept = { [K in EntryKind]?: Map<string, EntryOf<K>> }

/** What a job's entries are folded into, one after the other; how the engine stands is folded over all of its jobs. */
export interface JobSoFar {
  ticked: Set<string>
  steps: Record<string, { outcome: 'done' | 'skipped'; reason: string }>
  kept: Kept
  camReads: CamRead[]
  counts: EntryOf<'count'>[]
  camSet: Record<string, EntryOf<'camSet'>>
}

export const startJobSoFar = (): JobSoFar => ({
  ticked: new Set(),
  steps: byId(),
  kept: {},
  camReads: [],
  counts: [],
  camSet: byId(),
})

/** A copy that one line of a kind may change, and not what it was copied from. */
export function copyOfJobSoFar(soFar: JobSoFar, kind: EntryKind): JobSoFar {
  const own = soFar.kept[kind] as ReadonlyMap<string, EntryOf<EntryKind>> | undefined
  return {
    ticked: new Set(soFar.ticked),
    steps: byId(Object.entries(soFar.steps)),
    kept: own ? { ...soFar.kept, [kind]: new Map(own) } : { ...soFar.kept },
    camReads: [...soFar.camReads],
    counts: [...soFar.counts],
    camSet: byId(Object.entries(soFar.camSet)),
  }
}
