import { byId } from '../byId'
import type { EntryOf, Phase } from '../model/entry'
import type { CamRead } from './camWitnesses'

/** What a job's entries are folded into, one after the other; how the engine stands is folded over all of its jobs. */
export interface Draft {
  sheetId: string
  ticked: Set<string>
  steps: Record<string, { outcome: 'done' | 'skipped'; reason: string }>
  lash: Record<Phase, Record<string, EntryOf<'lash'>>>
  shims: Record<string, EntryOf<'shim'>>
  topLifts: Record<Phase, Record<string, EntryOf<'topLift'>>>
  headHeights: Record<string, EntryOf<'headHeight'>>
  targets: Record<string, EntryOf<'target'>>
  adjusted: EntryOf<'adjusted'>[]
  coupled: EntryOf<'coupling'>[]
  walks: EntryOf<'walk'>[]
  chainLengths: EntryOf<'chainLength'>[]
  camReads: CamRead[]
  counts: EntryOf<'count'>[]
  moves: EntryOf<'moved'>[]
  camSet: Record<string, EntryOf<'camSet'>>
  deviations: EntryOf<'deviation'>[]
  closed: EntryOf<'close'> | undefined
}

export const startDraft = (sheetId: string): Draft => ({
  sheetId,
  ticked: new Set(),
  steps: byId(),
  lash: { found: byId(), set: byId(), left: byId() },
  shims: byId(),
  topLifts: { found: byId(), set: byId(), left: byId() },
  headHeights: byId(),
  targets: byId(),
  adjusted: [],
  coupled: [],
  walks: [],
  chainLengths: [],
  camReads: [],
  counts: [],
  moves: [],
  camSet: byId(),
  deviations: [],
  closed: undefined,
})
