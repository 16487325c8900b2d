import { byId } from '../byId'
import type { EntryKind, EntryOf } from '../model/entry'
import type { CamRead } from './camWitnesses'

/** Lines that are kept as they are, by kind: every one, or the last on each thing. */
export type Kept = { [K in EntryKind]?: Map<string, EntryOf<K>> }

/** What a job's entries are folded into, one after the other; how the engine stands is folded over all of its jobs. */
export interface Draft {
  sheetId: string
  ticked: Set<string>
  steps: Record<string, { outcome: 'done' | 'skipped'; reason: string }>
  kept: Kept
  camReads: CamRead[]
  counts: EntryOf<'count'>[]
  camSet: Record<string, EntryOf<'camSet'>>
}

export const startDraft = (sheetId: string): Draft => ({
  sheetId,
  ticked: new Set(),
  steps: byId(),
  kept: {},
  camReads: [],
  counts: [],
  camSet: byId(),
})
