import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, expect, test } from 'vitest'
import { parseFile } from '@link-count/core/file'
import { FILE_VERSION } from '@link-count/core/model'
import { WorkshopDatabase } from './database'
import { fileMigrations, storeVersions } from './migrations'
import version1 from './fixtures/version-1.json'
import version2 from './fixtures/version-2.json'
import version3 from './fixtures/version-3.json'
import version4 from './fixtures/version-4.json'
import version5 from './fixtures/version-5.json'
import version6 from './fixtures/version-6.json'
import version7 from './fixtures/version-7.json'
import version8 from './fixtures/version-8.json'
import version9 from './fixtures/version-9.json'
import version10 from './fixtures/version-10.json'
import version11 from './fixtures/version-11.json'

afterEach(async () => {
  await Dexie.delete('link-count-own')
  await Dexie.delete('link-count-demo')
})

test('versions run from 1 without gaps and have names of their own', () => {
  expect(storeVersions.map(({ version }) => version)).toEqual(storeVersions.map((_one, i) => i + 1))
  expect(new Set(storeVersions.map(({ name }) => name)).size).toBe(storeVersions.length)
})

/** Jobs of before version 10, as how they came in is told since. */
const raisedJobs = ({ jobs }: { readonly jobs: readonly { readonly arrival: string }[] }) => ({
  jobs: jobs.map((job) => ({ ...job, arrival: job.arrival === 'chainOff' ? 'everyLoopOff' : 'whole' })),
})

const raised = () => {
  const parsed = parseFile(JSON.stringify(version1), fileMigrations)
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.error))
  return parsed.value
}

test('a file of version 1 is still opened, its degree wheel numbered all round', () => {
  const { entries, sheets } = raised()
  expect(entries.length).toBe(version1.entries.length)
  expect(entries.find(({ kind }) => kind === 'degreeWheel')).toMatchObject({
    scale: { kind: 'full', rises: 'running' },
  })
  expect(sheets[0]).toMatchObject({ layout: 'inLine', banks: [{ axisDeg: { value: 90, trust: 'unknown' } }] })
})

test('a file of version 2 is still opened, the places of its couplings with how far they are trusted', () => {
  const [sheet] = version2.sheets
  const couplings = [{ id: 'spline-1', kind: 'spline', fromId: 'crank', toId: 'cam', positions: 28 }]
  const parsed = parseFile(JSON.stringify({ ...version2, sheets: [{ ...sheet, couplings }] }), fileMigrations)
  expect(parsed.ok && parsed.value.sheets[0]?.couplings[0]).toMatchObject({
    positions: { value: 28, typed: '28', trust: 'unknown' },
  })
  expect(parsed.ok && parsed.value.entries).toEqual(version2.entries)
})

test('a file of version 3 is opened as it is, its entries without what they knew', () => {
  const parsed = parseFile(JSON.stringify(version3), fileMigrations)
  expect(parsed.ok && parsed.value).toEqual({ ...version3, ...raisedJobs(version3), version: FILE_VERSION })
})

test('a file of version 4 is opened as it is, with what each entry knew', () => {
  const parsed = parseFile(JSON.stringify(version4), fileMigrations)
  expect(parsed.ok && parsed.value).toEqual({ ...version4, ...raisedJobs(version4), version: FILE_VERSION })
})

test.each([version5, version6, version7, version8, version9, version10, version11])(
  'a file of version $version is opened as it is, its checksums held against it',
  (file) => {
    const parsed = parseFile(JSON.stringify(file), fileMigrations)
    const { checksums: _held, ...rest } = file
    expect(parsed.ok && parsed.value).toEqual({ ...rest, ...raisedJobs(file), version: FILE_VERSION })
  },
)

test('a job of before that came in with its chain off still has every chain off', () => {
  const [job] = version9.jobs
  const parsed = parseFile(
    JSON.stringify({ ...version9, checksums: undefined, jobs: [{ ...job, arrival: 'chainOff' }] }),
    fileMigrations,
  )
  expect(parsed.ok && parsed.value.jobs[0]?.arrival).toBe('everyLoopOff')
})

test.each([[null], ['bank'], [[]], [{ banks: [null] }], [{ couplings: [7] }], [{ banks: 'x', couplings: { 0: 1 } }]])(
  'rows of any shape are an answer: a sheet that is %j',
  (sheet) => {
    for (const version of [1, 2, 3, 4])
      expect(parseFile(JSON.stringify({ ...version1, version, sheets: [sheet] }), fileMigrations)).toMatchObject({
        ok: false,
        error: { code: 'invalid' },
      })
  },
)

test('a database of version 1 is still opened with every row', async () => {
  const old = new Dexie('link-count-own')
  old.version(1).stores({
    engines: 'id',
    sheets: 'id, engineId',
    jobs: 'id, engineId',
    entries: 'id, jobId',
    drafts: 'id',
    pictures: 'id, jobId',
    meta: 'id',
  })
  await old.table('engines').bulkAdd(version1.engines)
  await old.table('entries').bulkAdd(version1.entries)
  await old.table('sheets').bulkAdd(version1.sheets)
  old.close()
  const db = new WorkshopDatabase('own')
  expect(await db.entries.count()).toBe(version1.entries.length)
  expect(await db.engines.toArray()).toEqual(version1.engines)
  const byId = (rows: { id: string }[]) => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1))
  expect(byId(await db.entries.toArray())).toEqual(byId(raised().entries))
  expect(byId(await db.sheets.toArray())).toEqual(byId(raised().sheets))
  db.close()
})

test('a batch is all or nothing, and counted', async () => {
  const db = new WorkshopDatabase('own')
  const { engines, sheets, jobs, entries } = raised()
  const broken = { engines, sheets, jobs, entries: [...entries, { id: () => 'not to be stored' } as never] }
  await expect(db.write({ put: broken }, 0)).rejects.toThrow()
  expect(await db.engines.count()).toBe(0)
  expect(await db.write({ put: { engines, sheets, jobs, entries } }, 0)).not.toBe('behind')
  expect([await db.entries.count(), await db.revision()]).toEqual([version1.entries.length, 1])
  db.close()
})

test('a batch made before another tab wrote is not written', async () => {
  const db = new WorkshopDatabase('own')
  await db.write({ put: { meta: [{ id: 'a', value: '1' }] } }, 0)
  expect(await db.write({ put: { meta: [{ id: 'a', value: '2' }] } }, 0)).toBe('behind')
  expect(await db.meta.get('a')).toEqual({ id: 'a', value: '1' })
  db.close()
})
