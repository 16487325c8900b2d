import { configureStore } from '@reduxjs/toolkit'
import type { BuildSheet, Entry, Job } from '@link-count/core/model'
import { TABLES, type Batch, type Env, type PictureRow, type TableName } from '../domain/env'
import { reducers } from '../domain/state'
import { engineRead, written } from '../domain/written'

export interface Fake {
  readonly store: ReturnType<typeof storeOf>
  readonly env: Env
  /** What is stored, by table. */
  readonly rows: Readonly<Record<TableName, Map<string, unknown>>>
  readonly batches: Batch[]
  /** What is typed and still waits, as it was last noted. */
  noted: readonly (readonly [string, string | undefined])[]
  /** From now on nothing can be written. */
  fail: Error | undefined
}

const storeOf = (extraArgument: Env) =>
  configureStore({
    reducer: reducers,
    middleware: (defaults) => defaults({ thunk: { extraArgument }, serializableCheck: false, immutableCheck: false }),
  })

/** A workshop whose outside is in memory: batches one at a time, and failures when they are wanted. */
export function fakeWorkshop(): Fake {
  const rows = Object.fromEntries(TABLES.map((name) => [name, new Map()])) as unknown as Fake['rows']
  const batches: Batch[] = []
  let serial = 0
  let last: Promise<unknown> = Promise.resolve()
  const env: Env = {
    commit: (make) => {
      const write = () => {
        const batch = make()
        if (fake.fail) throw fake.fail
        for (const name of TABLES) {
          for (const row of batch.put?.[name] ?? []) rows[name].set(row.id, row)
          for (const id of batch.drop?.[name] ?? []) rows[name].delete(id)
        }
        batches.push(batch)
        fake.store.dispatch(written(batch))
      }
      const mine = last.then(write, write)
      last = mine
      return mine
    },
    takeIn: () => Promise.reject(new Error('Broken invariant: there are no workers here')),
    openEngine: (engineId) => {
      const list = <T>(name: TableName) => [...rows[name].values()] as T[]
      const jobIds = list<Job>('jobs').flatMap((job) => (job.engineId === engineId ? [job.id] : []))
      fake.store.dispatch(
        engineRead({
          engineId,
          jobIds,
          sheets: list<BuildSheet>('sheets').filter((sheet) => sheet.engineId === engineId),
          entries: list<Entry>('entries').filter(({ jobId }) => jobIds.includes(jobId)),
        }),
      )
      return Promise.resolve()
    },
    noteTyped: (waiting) => (fake.noted = waiting),
    readPicture: (id) => Promise.resolve((rows.pictures.get(id) as PictureRow | undefined)?.blob),
    now: () => '2026-11-24T08:00:00.000Z',
    newId: () => `id-${serial++}`,
  }
  const fake: Fake = { env, rows, batches, noted: [], fail: undefined, store: storeOf(env) }
  fake.store.dispatch(written({ put: { meta: [{ id: 'device', value: 'd-test' }] } }))
  return fake
}
