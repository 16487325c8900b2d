import { beforeEach, expect, test } from 'vitest'
import { beginSheet } from '@link-count/core/starters'
import { configureStore } from '@reduxjs/toolkit'
import type { Env, RecordTable } from './env'
import { reducers } from './state'
import { selectJobs, selectJobView, selectSheets } from './views'
import {
  addPicture,
  addRecords,
  addSheet,
  changeSheet,
  dropDrafts,
  keepDraft,
  notePut,
  openJob,
  readPicture,
  saveEngine,
  say,
} from './writes'

let fails = false
let published: unknown[]
let envNow: Env
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
  const env: Env = (envNow = {
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
  })
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

test('what is typed is on the screen at once, kept, and gone when it was taken', async () => {
  const typing = store.dispatch(keepDraft({ id: 'count', text: '2' }))
  expect(store.getState().drafts['count']).toBe('2')
  await typing
  await store.dispatch(keepDraft({ id: 'count', text: '29' }))
  expect(store.getState().drafts['count']).toBe('29')
  await store.dispatch(dropDrafts(['count', 'never']))
  expect(store.getState().drafts['count']).toBeUndefined()
  // What is typed is nobody else's until it is said.
  expect(published).toHaveLength(2)
})

test('a picture is stored first and then stands in the ledger, to be read back', async () => {
  const job = await start()
  const blob = new Blob([new Uint8Array([1, 2, 3])], { type: 'image/png' })
  await store.dispatch(addPicture(job.id, blob, 'as found', 'asFound'))
  const [entry] = selectJobView(store.getState(), job.id)?.entries ?? []
  if (entry?.kind !== 'picture') throw new Error('no picture')
  expect(entry).toMatchObject({ caption: 'as found', bytes: 3, mediaType: 'image/png' })
  expect(await store.dispatch(readPicture(entry.pictureId))).toBe(blob)
  expect(await store.dispatch(readPicture('nowhere'))).toBeUndefined()
})

test('a picture that cannot be stored leaves no line in the ledger', async () => {
  const job = await start()
  fails = true
  await expect(store.dispatch(addPicture(job.id, new Blob([]), '', 'x'))).rejects.toThrow('disk full')
  expect(selectJobView(store.getState(), job.id)?.entries).toHaveLength(0)
})

test('records from a file are there with everything they hold; a file that cannot be stored changes nothing', async () => {
  const state = store.getState()
  const sheets = selectSheets(state, 'engine').map((sheet) => ({ ...sheet, id: 'other-sheet', engineId: 'other' }))
  const engines = [{ id: 'other', name: 'Other', description: '', at: '2026-11-24T08:00:00.000Z' }]
  const records = { engines, sheets, jobs: [], entries: [] }
  await store.dispatch(addRecords(records, []))
  expect(selectSheets(store.getState(), 'other').map(({ id }) => id)).toEqual(['other-sheet'])
  const broken = makeStore({ ...envNow, atomically: () => Promise.reject(new Error('half a file')) })
  await expect(broken.dispatch(addRecords(records, []))).rejects.toThrow('half a file')
  expect(selectSheets(broken.getState(), 'other')).toEqual([])
})

test('what a job or an engine wants and is not there is refused, not made up', async () => {
  await expect(store.dispatch(say('nowhere', [{ kind: 'note', text: 'x' }]))).rejects.toThrow('no job nowhere')
  await expect(store.dispatch(changeSheet('nowhere', (sheet) => sheet))).rejects.toThrow('has no build sheet')
})

test('a change that the schema does not take is refused whole', async () => {
  await expect(store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, cycleDeg: 540 as 720 })))).rejects.toThrow()
  expect(selectSheets(store.getState(), 'engine')[0]?.cycleDeg).toBe(720)
  const job = await start()
  await expect(store.dispatch(say(job.id, [{ kind: 'turned', deg: 1e9, ended: 'onMark' }]))).rejects.toThrow()
  expect(selectJobView(store.getState(), job.id)?.entries).toHaveLength(0)
})

test('notes of the workshop itself are kept', async () => {
  await store.dispatch(notePut([{ id: 'saved', value: 'today' }]))
  expect(store.getState().meta).toMatchObject({ saved: 'today' })
})
