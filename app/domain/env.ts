import type { BuildSheet, Engine, Entry, Job } from '@link-count/core/model'
import type { SummaryRow } from './summaries/summary'

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

/** The kinds of row that a workshop stores, by table. */
export interface Stored {
  readonly engines: Engine
  readonly sheets: BuildSheet
  readonly jobs: Job
  readonly entries: Entry
  readonly drafts: DraftRow
  readonly meta: MetaRow
  readonly pictures: PictureRow
  readonly summaries: SummaryRow
}
export type TableName = keyof Stored

/** The tables whose rows are records: what a file holds, and what is counted to see that nothing is missing. */
export const RECORD_TABLES = ['engines', 'sheets', 'jobs', 'entries'] as const
export type RecordTable = (typeof RECORD_TABLES)[number]
export const TABLES = [
  ...RECORD_TABLES,
  'drafts',
  'meta',
  'pictures',
  'summaries',
] as const satisfies readonly TableName[]

export type Rows = { readonly [K in TableName]?: readonly Stored[K][] }

/** What is written as one: all of it or nothing. */
export interface Batch {
  readonly put?: Rows
  readonly drop?: { readonly [K in TableName]?: readonly string[] }
  /** Drafts among what is dropped, as they were taken: on the screen a field keeps what was typed into it since. */
  readonly taken?: readonly DraftRow[]
}

/** Writes a batch that a worker holds, on top of the named revision, and hands its lines to the second copy; 'behind', when another tab wrote since.
 *  Gives how many records there then are. */
export type WriteElsewhere = (
  revision: number,
  keepTwice: (line: string, pictures: readonly PictureRow[]) => Promise<void>,
) => Promise<{ readonly records: number } | 'behind'>

/** Everything from outside that thunks use; tests hand in fakes. */
export interface Env {
  /** Writes what `make` says by the state as it then is: one batch at a time over all tabs of this workshop. Resolves when it is stored and in the second
   *  copy, with the state moved and the other tabs told; rejects with the state as it was. `make` may be asked again, when another tab was quicker. */
  readonly commit: (make: () => Batch) => Promise<void>
  /** Notes at once, before it is stored, what is typed and still waits for its turn: a page may be closed over it. Undefined = gone. */
  readonly noteTyped: (waiting: readonly (readonly [string, string | undefined])[]) => void
  readonly readPicture: (id: string) => Promise<Blob | undefined>
  /** Has a worker write what it holds, in its turn; then everything is read anew. */
  readonly takeIn: (write: WriteElsewhere) => Promise<void>
  /** Reads the build sheets and ledgers of an engine into the state, in its turn among the writes of all tabs. */
  readonly openEngine: (engineId: string) => Promise<void>
  readonly now: () => string
  readonly newId: () => string
}
