import { beforeEach, expect, test } from 'vitest'
import { beginSheet } from '@link-count/core/starters'
import { configureStore } from '@reduxjs/toolkit'
import type { Env, RecordTable } from './env'
import { reducers } from './state'
import { selectJobs, selectJobView, selectSheets } from './views'
import { addSheet, changeSheet, openJob, saveEngine, say } from './writes'

let fails = false
let published: unknown[]
const makeStore = (extraArgument: Env) =>
  configureStore({ reducer: reducers, middleware: (defaults) => defaults({ thunk: { extraArgument } }) })
let store: ReturnType<typeof makeStore>

function table<T extends { id: string }>(): RecordTable<T> & {
  rows: Map<string, T>
  get: (id: string) => Promise<T | undefined>
} {
  const rows = new Map<string, T>()
  const put = (list: readonly T[]) => {
    if (fails) return Promise.reject(new Error('disk full'))
    for (const row of list) rows.set(row.id, row)
    return Promise.resolve()
  }
  return {
    rows,
    put: (row) => put([row]),
    bulkPut: put,
    delete: (id) => Promise.resolve(rows.delete(id)),
    get: (id) => Promise.resolve(rows.get(id)),
  }
}

beforeEach(async () => {
  fails = false
  published = []
  let serial = 0
  const env: Env = {
    engines: table(),
    sheets: table(),
    jobs: table(),
    entries: table(),
    drafts: table(),
    pictures: table() as Env['pictures'],
    meta: table(),
    atomically: () => Promise.resolve(),
    now: () => '2026-11-24T08:00:00.000Z',
    newId: () => `id-${serial++}`,
    device: 'd-test',
    publish: (action) => published.push(action),
  }
  store = makeStore(env)
  await store.dispatch(saveEngine({ id: 'engine', name: 'Engine', description: '', at: env.now() }))
  await store.dispatch(
    addSheet(
      beginSheet({ id: 'sheet', engineId: 'engine', at: env.now(), cylinders: 1, guide: false, tensioner: true }),
    ),
  )
})

const start = () => store.dispatch(openJob({ engineId: 'engine', sheetId: 'sheet', arrival: 'chainOn', reason: '' }))

test('a build sheet nobody cites is changed in place; a cited one gets a next version and stays as it was', async () => {
  await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'one' })))
  expect(selectSheets(store.getState(), 'engine').map(({ version, notes }) => [version, notes])).toEqual([[1, 'one']])
  const job = await start()
  await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'two' })))
  await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'three' })))
  expect(selectSheets(store.getState(), 'engine').map(({ version, notes }) => [version, notes])).toEqual([
    [2, 'three'],
    [1, 'one'],
  ])
  expect(selectJobView(store.getState(), job.id)?.sheet.notes).toBe('one')
})

test('entries count up, keep the side they were seen from, and reach the other tabs', async () => {
  const job = await start()
  await store.dispatch(
    say(job.id, [
      { kind: 'note', text: 'a' },
      { kind: 'note', text: 'b' },
    ]),
  )
  await store.dispatch(say(job.id, [{ kind: 'note', text: 'c' }]))
  const view = selectJobView(store.getState(), job.id)
  expect(view?.entries.map(({ counter, seenFrom }) => [counter, seenFrom])).toEqual([
    [1, 'timing'],
    [2, 'timing'],
    [3, 'timing'],
  ])
  expect(published.length).toBe(5)
})

test('a write that fails leaves the state as it was', async () => {
  const job = await start()
  fails = true
  await expect(store.dispatch(say(job.id, [{ kind: 'note', text: 'lost' }]))).rejects.toThrow('disk full')
  expect(selectJobView(store.getState(), job.id)?.entries).toHaveLength(0)
})

test('jobs of one engine are numbered', async () => {
  await start()
  await start()
  expect(selectJobs(store.getState(), 'engine').map(({ number }) => number)).toEqual([2, 1])
})

test('a job goes on with a newer build sheet only by an entry', async () => {
  const job = await start()
  const next = await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'two' })))
  expect(selectJobView(store.getState(), job.id)?.newestSheet.id).toBe(next.id)
  await store.dispatch(say(job.id, [{ kind: 'sheet', toSheetId: next.id }]))
  expect(selectJobView(store.getState(), job.id)?.sheet.notes).toBe('two')
})

test('changes and entries written at the same moment wait for each other: none is lost', async () => {
  const job = await start()
  await Promise.all([
    store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'both' }))),
    store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, fuel: 'diesel' }))),
  ])
  expect(selectSheets(store.getState(), 'engine')[0]).toMatchObject({ version: 2, notes: 'both', fuel: 'diesel' })
  await Promise.all(['a', 'b'].map((text) => store.dispatch(say(job.id, [{ kind: 'note', text }]))))
  expect(selectJobView(store.getState(), job.id)?.entries.map(({ counter }) => counter)).toEqual([1, 2])
})
