import type { UnknownAction } from '@reduxjs/toolkit'
import type { BuildSheet, Engine, Entry, Job, Records } from '@link-count/core/model'

/** The narrow table that a thunk needs. */
export interface RecordTable<T> {
  put(row: T): PromiseLike<unknown>
  bulkPut(rows: readonly T[]): PromiseLike<unknown>
  delete(id: string): PromiseLike<unknown>
}

export interface DraftRow {
  readonly id: string
  readonly text: string
}

export interface PictureRow {
  readonly id: string
  readonly jobId: string
  readonly blob: Blob
}

export interface MetaRow {
  readonly id: string
  readonly value: string
}

/** Everything from outside that thunks use; tests hand in fakes. */
export interface Env {
  readonly engines: RecordTable<Engine>
  readonly sheets: RecordTable<BuildSheet>
  readonly jobs: RecordTable<Job>
  readonly entries: RecordTable<Entry>
  readonly drafts: RecordTable<DraftRow>
  readonly pictures: RecordTable<PictureRow> & { get(id: string): PromiseLike<PictureRow | undefined> }
  readonly meta: RecordTable<MetaRow>
  /** All or nothing. */
  readonly atomically: (records: Records, pictures: readonly PictureRow[]) => Promise<void>
  readonly now: () => string
  readonly newId: () => string
  readonly device: string
  /** Tells the other tabs of this workshop. */
  readonly publish: (action: UnknownAction) => void
}
