import type { UnknownAction } from '@reduxjs/toolkit'
import type { Batch, Rows, WriteElsewhere } from '../domain/env'
import { WriteError } from '../domain/failure'
import type { RootState } from '../domain/state'
import { engineRead, loaded, written } from '../domain/written'
import { RECORDS, REVISION, type WorkshopDatabase } from './database'
import type { OtherTabs } from './otherTabs'
import type { SecondCopy } from './copy'
import type { InTurn } from './turns'

/** The state that a writer moves when something is stored. */
export interface WriterState {
  readonly dispatch: (action: UnknownAction) => unknown
  readonly getState: () => Pick<RootState, 'opened'>
}

export interface Writer {
  readonly commit: (make: () => Batch) => Promise<void>
  /** Has a worker write what it holds, in turn. */
  readonly takeIn: (write: WriteElsewhere) => Promise<void>
  /** Reads the build sheets and ledgers of an engine into the state, in turn. */
  readonly openEngine: (engineId: string) => Promise<void>
  /** Reads everything anew when another tab wrote something that this one has not heard of. */
  readonly catchUp: () => Promise<void>
  /** Reads everything anew, whatever was heard of. */
  readonly readAgain: () => Promise<void>
  /** The last batch that this tab knows of. */
  readonly stands: () => number
  /** From now on batches move this state. */
  readonly attach: (state: WriterState) => void
}

interface WriterParts {
  readonly db: WorkshopDatabase
  readonly inTurn: InTurn
  readonly tabs: OtherTabs
  readonly copy: SecondCopy
  readonly startRevision: number
  readonly startRecords: number
  /** Notes how many records there are, outside of the database. */
  readonly note: (records: number) => void
}

/** Writes batches one at a time over all tabs. A batch is acknowledged when the database has completed it and the second copy has it too. */
export function makeWriter({ db, inTurn, tabs, copy, startRevision, startRecords, note }: WriterParts): Writer {
  let revision = startRevision
  let records = startRecords
  let state: WriterState | undefined
  const move = (batch: Batch) => state?.dispatch(written(batch))
  const readAnew = async () => {
    const rows = await db.heads()
    const stands = Number(rows.meta?.find(({ id }) => id === REVISION)?.value ?? 0)
    if (stands < revision)
      throw new WriteError('closed', 'The browser’s storage holds less than this page: it was cleared or lost.')
    revision = stands
    records = recordsNoted(rows.meta) ?? records
    state?.dispatch(loaded({ ...rows, opened: await readOpened(db, state) }))
  }
  tabs.listen((told) => {
    if (told.revision <= revision) return
    if ('batch' in told && told.revision === revision + 1) {
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
        const counted = await db.write(batch, revision)
        if (counted === 'behind') {
          await readAnew()
          continue
        }
        revision++
        const whole = { ...batch, put: { ...batch.put, meta: [...(batch.put?.meta ?? []), ...counted] } }
        records = recordsNoted(counted) ?? records
        await copy.append({ revision, records, batch: whole })
        note(records)
        move(whole)
        tabs.tell({ revision, batch: forOthers(whole) })
        return
      }
    })
  const takeIn = (write: WriteElsewhere) =>
    inTurn(async () => {
      for (;;) {
        const done = await write(revision, copy.appendText)
        if (done === 'behind') {
          await readAnew()
          continue
        }
        revision++
        note(done.records)
        await readAnew()
        tabs.tell({ revision, anew: true })
        return
      }
    })
  const openEngine = (engineId: string) =>
    inTurn(async () => {
      if ((await db.revision()) !== revision) await readAnew()
      state?.dispatch(engineRead(await db.engineRows(engineId)))
    })
  const readAgain = () => inTurn(readAnew)
  const attach = (next: WriterState) => void (state = next)
  return { commit, takeIn, openEngine, catchUp, readAgain, stands: () => revision, attach }
}

async function readOpened(db: WorkshopDatabase, state: WriterState) {
  const opened = []
  for (const id of Object.keys(state.getState().opened)) opened.push(await db.engineRows(id))
  return opened
}

function recordsNoted(meta: Rows['meta'] = []): number | undefined {
  const noted = meta.find(({ id }) => id === RECORDS)
  return noted && Number(noted.value)
}

const isEmpty = ({ put, drop }: Batch) =>
  [...Object.values(put ?? {}), ...Object.values(drop ?? {})].every((rows) => rows.length === 0)

/** What is typed in one tab is nobody else's until it is said; pictures are read when they are shown. */
const forOthers = ({ put: { drafts: _typed, pictures: _pictures, ...put } = {}, drop }: Batch): Batch => ({
  put,
  ...(drop ? { drop } : {}),
})
