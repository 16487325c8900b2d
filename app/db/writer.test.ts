import 'fake-indexeddb/auto'
import { configureStore } from '@reduxjs/toolkit'
import Dexie from 'dexie'
import { afterEach, beforeEach, expect, test } from 'vitest'
import type { Batch, Rows } from '../domain/env'
import { failureOf } from '../domain/failure'
import { reducers } from '../domain/state'
import { loaded } from '../domain/written'
import { noCopy, type SecondCopy } from './copy'
import { foldLines, type CopyLine } from './copy/copyLog'
import { countRecords, WorkshopDatabase } from './database'
import type { OtherTabs, Told } from './otherTabs'
import { MISSING, recover, RECOVERED, renewCopy } from './recover'
import { makeTurns } from './turns'
import { makeWriter, type Writer } from './writer'

const engine = (id: string, name = id) => ({ id, name, description: '', at: '2026-11-27T08:00:00.000Z' })
const put = (...engines: ReturnType<typeof engine>[]): Batch => ({ put: { engines } })
const pause = () => new Promise((resolve) => setTimeout(resolve))

/** A copy in memory, as the worker keeps it on the disk. */
function copyInMemory(): SecondCopy & { readonly lines: CopyLine[]; start: Rows } {
  const lines: CopyLine[] = []
  const copy = {
    ...noCopy('notHere'),
    lines,
    start: {} as Rows,
    status: () => ({ kept: 'twice' as const }),
    append: (line: CopyLine) => Promise.resolve(void lines.push(line)),
    whole: () => Promise.resolve(foldLines(lines, copy.start)),
    startOver: (rows: Rows) => Promise.resolve(void (copy.start = rows)),
  }
  return copy
}

interface Tab {
  readonly writer: Writer
  readonly names: () => string[]
}
let dbs: WorkshopDatabase[] = []
let ears: ((told: Told) => void)[] = []

async function openTab(copy: SecondCopy, deaf = false): Promise<Tab> {
  const db = new WorkshopDatabase('own')
  dbs.push(db)
  const tabs: OtherTabs = {
    tell: (told) => ears.forEach((ear) => ear(structuredClone(told))),
    listen: (hear) => void (deaf ? undefined : ears.push(hear)),
    close: () => undefined,
  }
  const store = configureStore({
    reducer: reducers,
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }),
  })
  // Each tab has turns of its own: without locks over all tabs the database alone keeps them apart.
  const writer = makeWriter({
    db,
    inTurn: makeTurns('x', undefined),
    tabs,
    copy,
    startRevision: await db.revision(),
    startRecords: await db.countRecords(),
    note: () => undefined,
  })
  store.dispatch(loaded(await db.heads()))
  writer.attach(store)
  return {
    writer,
    names: () =>
      Object.values(store.getState().engines.entities)
        .map(({ name }) => name)
        .sort(),
  }
}

beforeEach(() => {
  dbs = []
  ears = []
})
afterEach(async () => {
  for (const db of dbs) db.close()
  await Dexie.delete('link-count-own')
})

test('two tabs write in turn, hear of each other, and the copy has every batch once, in order', async () => {
  const copy = copyInMemory()
  const [a, b] = [await openTab(copy), await openTab(copy)]
  await Promise.all(
    [0, 1, 2, 3].flatMap((i) => [
      a.writer.commit(() => put(engine(`a${i}`))),
      b.writer.commit(() => put(engine(`b${i}`))),
    ]),
  )
  await pause()
  const all = ['a0', 'a1', 'a2', 'a3', 'b0', 'b1', 'b2', 'b3']
  expect(a.names()).toEqual(all)
  expect(b.names()).toEqual(all)
  expect(copy.lines.map(({ revision }) => revision).sort((x, y) => x - y)).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
  expect(countRecords((await copy.whole()).rows)).toBe(8)
})

test('a tab that hears nothing makes its batch by what the other wrote', async () => {
  const copy = copyInMemory()
  const [a, b] = [await openTab(copy), await openTab(copy, true)]
  await a.writer.commit(() => put(engine('e', 'one')))
  let asked = 0
  await b.writer.commit(() => {
    asked++
    return put(engine('f', `after ${b.names().join()}`))
  })
  expect([asked, b.names()]).toEqual([2, ['after one', 'one']])
  await a.writer.commit(() => put(engine('g')))
  await b.writer.catchUp()
  expect(b.names()).toEqual(['after one', 'g', 'one'])
})

test('a store that was emptied under the page takes nothing more, and says so', async () => {
  const { writer, names } = await openTab(copyInMemory())
  await writer.commit(() => put(engine('e')))
  await Promise.all((dbs[0]?.tables ?? []).map((table) => table.clear()))
  const failure = await writer
    .commit(() => put(engine('f')))
    .then(
      () => undefined,
      (cause: unknown) => failureOf(cause),
    )
  expect(failure?.code).toBe('closed')
  expect(names()).toEqual(['e'])
})

test('nothing to write is no batch', async () => {
  const copy = copyInMemory()
  await (await openTab(copy)).writer.commit(() => ({ put: { drafts: [] } }))
  expect(copy.lines).toEqual([])
})

const outside = { now: '2026-11-27T09:00:00.000Z', newId: () => 'fresh-name' }
const meta = (rows: Rows, id: string) => rows.meta?.find((row) => row.id === id)?.value

test('what the database lost comes back from the copy, under a new name of the device', async () => {
  const copy = copyInMemory()
  const { writer } = await openTab(copy)
  await writer.commit(() => ({
    put: { engines: [engine('e'), engine('f')], meta: [{ id: 'device', value: 'd-old' }] },
  }))
  await Promise.all((dbs[0]?.tables ?? []).map((table) => table.clear()))
  const db = dbs[0] as WorkshopDatabase
  const found = await recover(db, { ...copy, stood: { revision: 1, records: 2 } }, { ...outside, noted: 2 })
  expect(found.rows.engines?.map(({ id }) => id)).toEqual(['e', 'f'])
  expect(found.revision).toBeGreaterThan(1)
  expect(meta(found.rows, 'device')).toBe('d-fresh-name')
  expect(JSON.parse(meta(found.rows, RECOVERED) ?? '')).toMatchObject({ had: 2, has: 0 })
  expect(meta(found.rows, MISSING)).toBeUndefined()
})

test('what neither has is told; a copy that cannot be read is none', async () => {
  const { writer } = await openTab(copyInMemory())
  await writer.commit(() => put(engine('e')))
  const db = dbs[0] as WorkshopDatabase
  const noted = await recover(db, noCopy('notHere'), { ...outside, noted: 7 })
  expect(JSON.parse(meta(noted.rows, MISSING) ?? '')).toMatchObject({ had: 7, has: 1 })
  const broken = {
    ...copyInMemory(),
    stood: { revision: 99, records: 9 },
    whole: () => Promise.reject(new Error('torn')),
  }
  const found = await recover(db, broken, { ...outside, noted: 0 })
  expect(JSON.parse(meta(found.rows, MISSING) ?? '')).toMatchObject({ had: 9, has: 1 })
})

test('nothing lost, nothing touched; a copy that is behind is begun anew', async () => {
  const copy = copyInMemory()
  const { writer } = await openTab(copy)
  await writer.commit(() => put(engine('e')))
  const db = dbs[0] as WorkshopDatabase
  const found = await recover(db, { ...copy, stood: { revision: 1, records: 1 } }, { ...outside, noted: 1 })
  expect([found.revision, meta(found.rows, RECOVERED), meta(found.rows, MISSING)]).toEqual([1, undefined, undefined])
  await renewCopy(db, { ...copy, stood: { revision: 1, records: 1 } }, found)
  expect(copy.start).toEqual({})
  const behind = copyInMemory()
  await renewCopy(db, behind, found)
  expect(behind.start.engines).toEqual([engine('e')])
})
