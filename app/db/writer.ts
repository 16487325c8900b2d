import type { UnknownAction } from '@reduxjs/toolkit'
import { RECORD_TABLES, type Batch } from '../domain/env'
import { WriteError } from '../domain/failure'
import type { RootState } from '../domain/state'
import { loaded, written } from '../domain/written'
import { REVISION, type WorkshopDatabase } from './database'
import type { OtherTabs } from './otherTabs'
import type { SecondCopy } from './copy'
import type { InTurn } from './turns'

/** The state that a writer moves when something is stored. */
export interface WriterState {
  readonly dispatch: (action: UnknownAction) => unknown
  readonly getState: () => RootState
}

export interface Writer {
  readonly commit: (make: () => Batch) => Promise<void>
  /** Reads everything anew when another tab wrote something that this one has not heard of. */
  readonly catchUp: () => Promise<void>
  /** From now on batches move this state. */
  readonly attach: (state: WriterState) => void
}

/** Writes batches one at a time over all tabs. A batch is acknowledged when the database has completed it and the second copy has it too. */
export function makeWriter({
  db,
  inTurn,
  tabs,
  copy,
  startRevision,
  note,
}: {
  readonly db: WorkshopDatabase
  readonly inTurn: InTurn
  readonly tabs: OtherTabs
  readonly copy: SecondCopy
  readonly startRevision: number
  /** Notes how many records there are, outside of the database. */
  readonly note: (records: number) => void
}): Writer {
  let revision = startRevision
  let state: WriterState | undefined
  const move = (batch: Batch) => state?.dispatch(written(batch))
  const readAnew = async () => {
    const rows = await db.everything()
    const stands = Number(rows.meta?.find(({ id }) => id === REVISION)?.value ?? 0)
    if (stands < revision)
      throw new WriteError('closed', 'The browser’s storage holds less than this page: it was cleared or lost.')
    revision = stands
    state?.dispatch(loaded(rows))
  }
  tabs.listen((told) => {
    if (told.revision <= revision) return
    if (told.revision === revision + 1) {
      revision = told.revision
      move(told.batch)
    } else void catchUp()
  })
  const catchUp = () =>
    inTurn(async () => {
      if ((await db.revision()) !== revision) await readAnew()
    })
  const commit = (make: () => Batch) =>
    inTurn(async () => {
      for (;;) {
        const batch = make()
        if (isEmpty(batch)) return
        const records = state ? recordsAfter(state.getState(), batch) : 0
        if ((await db.write(batch, revision)) === 'behind') {
          await readAnew()
          continue
        }
        revision++
        await copy.append({ revision, records, batch })
        note(records)
        move(batch)
        tabs.tell({ revision, batch: forOthers(batch) })
        return
      }
    })
  return {
    commit,
    catchUp,
    attach: (next) => {
      state = next
    },
  }
}

const isEmpty = ({ put, drop }: Batch) =>
  [...Object.values(put ?? {}), ...Object.values(drop ?? {})].every((rows) => rows.length === 0)

/** What is typed in one tab is nobody else's until it is said; pictures are read when they are shown. */
const forOthers = ({ put: { drafts: _typed, pictures: _pictures, ...put } = {}, drop }: Batch): Batch => ({
  put,
  ...(drop ? { drop } : {}),
})

/** How many records there are with a batch on top. */
function recordsAfter(state: RootState, { put, drop }: Batch): number {
  return RECORD_TABLES.reduce((sum, name) => {
    const { ids, entities } = state[name]
    const fresh = (put?.[name] ?? []).filter(({ id }) => !(id in entities)).length
    const gone = (drop?.[name] ?? []).filter((id) => id in entities).length
    return sum + ids.length + fresh - gone
  }, 0)
}
