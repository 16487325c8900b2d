import { beforeEach, expect, test } from 'vitest'
import { beginSheet } from '@link-count/core/starters'
import { fakeWorkshop, type Fake } from '../testing/fakeEnv'
import { dropDrafts, keepDraft } from './draftWrites'
import { failureOf } from './failure'
import { selectJobs, selectSheets } from './selectors'
import { selectJobView } from './views'
import { notePut, openEngine, readPicture } from './notes'
import { addPicture, beginEngine, changeSheet, changeSheetInJob, openJob, say } from './writes'
import { written } from './written'

let fake: Fake
let store: Fake['store']
const at = '2026-11-24T08:00:00.000Z'

beforeEach(async () => {
  fake = fakeWorkshop()
  store = fake.store
  await store.dispatch(
    beginEngine(
      { id: 'engine', name: 'Engine', description: '', at },
      beginSheet({ id: 'sheet', engineId: 'engine', at, cylinders: 1, guide: false, tensioner: true }),
    ),
  )
  await store.dispatch(openEngine('engine'))
})

const start = () => store.dispatch(openJob({ engineId: 'engine', sheetId: 'sheet', arrival: 'whole', reason: '' }))
const view = (jobId: string) => selectJobView(store.getState(), jobId)

test('an engine and its build sheet are one write', () => {
  expect(fake.batches).toHaveLength(1)
  expect(Object.keys(fake.batches[0]?.put ?? {})).toEqual(['engines', 'sheets', 'summaries'])
})

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
  expect(view(job.id)?.sheet.notes).toBe('one')
})

test('entries count up, and keep the side they were seen from', async () => {
  const job = await start()
  await store.dispatch(
    say(job.id, [
      { kind: 'note', text: 'a' },
      { kind: 'note', text: 'b' },
    ]),
  )
  await store.dispatch(say(job.id, [{ kind: 'note', text: 'c' }]))
  expect(view(job.id)?.entries.map(({ counter, seenFrom }) => [counter, seenFrom])).toEqual([
    [1, 'timing'],
    [2, 'timing'],
    [3, 'timing'],
  ])
})

test('a write that fails leaves the state and what was typed as they were', async () => {
  const job = await start()
  await store.dispatch(keepDraft({ id: 'note', text: 'lost?' }))
  fake.fail = new Error('disk full')
  const takes = [{ id: 'note', text: 'lost?' }]
  await expect(store.dispatch(say(job.id, [{ kind: 'note', text: 'lost?' }], takes))).rejects.toThrow('disk full')
  expect(view(job.id)?.entries).toHaveLength(0)
  expect(store.getState().drafts['note']).toBe('lost?')
  expect(fake.rows.drafts.get('note')).toEqual({ id: 'note', text: 'lost?' })
})

test('what was typed goes in the same write; what is typed there meanwhile stays', async () => {
  const job = await start()
  await store.dispatch(keepDraft({ id: 'a', text: '29' }))
  await store.dispatch(keepDraft({ id: 'b', text: '30' }))
  const takes = [
    { id: 'a', text: '29' },
    { id: 'b', text: '3' },
  ]
  await store.dispatch(say(job.id, [{ kind: 'note', text: 'x' }], takes))
  expect(fake.batches.at(-1)?.drop).toEqual({ drafts: ['a'] })
  expect({ ...store.getState().drafts }).toEqual({ b: '30' })
})

test('what is typed while a write is on its way stays, whatever the write took', async () => {
  const job = await start()
  await store.dispatch(keepDraft({ id: 'a', text: '29' }))
  const writing = store.dispatch(say(job.id, [{ kind: 'note', text: 'x' }], [{ id: 'a', text: '29' }]))
  await Promise.all([writing, store.dispatch(keepDraft({ id: 'a', text: '30' }))])
  expect(store.getState().drafts['a']).toBe('30')
  expect(fake.rows.drafts.get('a')).toEqual({ id: 'a', text: '30' })
  store.dispatch(written({ drop: { drafts: ['a'] }, taken: [{ id: 'a', text: '29' }] }))
  expect(store.getState().drafts['a']).toBe('30')
})

test('jobs of one engine are numbered', async () => {
  await Promise.all([start(), start()])
  expect(selectJobs(store.getState(), 'engine').map(({ number }) => number)).toEqual([2, 1])
})

test('a job goes on with a newer build sheet only by an entry, and the two are one write', async () => {
  const job = await start()
  const next = await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'two' })))
  expect(view(job.id)?.newestSheet.id).toBe(next.id)
  expect(view(job.id)?.sheet.notes).toBe('')
  await store.dispatch(changeSheetInJob(job.id, (sheet) => ({ ...sheet, notes: 'three' })))
  expect(view(job.id)?.sheet.notes).toBe('three')
  expect(Object.keys(fake.batches.at(-1)?.put ?? {})).toEqual(['sheets', 'entries', 'summaries'])
})

test('a build sheet that a job has just taken up is cited, before anything is written against it', async () => {
  const job = await start()
  const next = await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'two' })))
  await store.dispatch(say(job.id, [{ kind: 'sheet', toSheetId: next.id }]))
  await store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'three' })))
  expect(view(job.id)?.sheet.notes).toBe('two')
})

test('changes and entries written at the same moment wait for each other: none is lost', async () => {
  const job = await start()
  await Promise.all([
    store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, notes: 'both' }))),
    store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, fuel: 'diesel' }))),
  ])
  expect(selectSheets(store.getState(), 'engine')[0]).toMatchObject({ version: 2, notes: 'both', fuel: 'diesel' })
  await Promise.all(['a', 'b'].map((text) => store.dispatch(say(job.id, [{ kind: 'note', text }]))))
  expect(view(job.id)?.entries.map(({ counter }) => counter)).toEqual([1, 2])
})

test('what is typed is on the screen at once, kept, and gone when it was taken', async () => {
  const typing = store.dispatch(keepDraft({ id: 'count', text: '2' }))
  expect(store.getState().drafts['count']).toBe('2')
  await typing
  await store.dispatch(keepDraft({ id: 'count', text: '29' }))
  expect(fake.rows.drafts.get('count')).toEqual({ id: 'count', text: '29' })
  await store.dispatch(dropDrafts(['count', 'never']))
  expect(store.getState().drafts['count']).toBeUndefined()
  expect(fake.rows.drafts.size).toBe(0)
})

test('letters that could not be kept are kept with the next', async () => {
  fake.fail = new Error('disk full')
  await expect(store.dispatch(keepDraft({ id: 'a', text: '1' }))).rejects.toThrow()
  fake.fail = undefined
  await store.dispatch(keepDraft({ id: 'b', text: '2' }))
  expect([...fake.rows.drafts.keys()].sort()).toEqual(['a', 'b'])
})

test('letters that wait for their turn are noted at once, and not any more when they are stored', async () => {
  const typing = store.dispatch(keepDraft({ id: 'a', text: '1' }))
  expect(fake.noted).toEqual([['a', '1']])
  await typing
  expect(fake.noted).toEqual([])
})

test('letters typed while a write is on its way are stored in one', async () => {
  const before = fake.batches.length
  await Promise.all(['1', '12', '128'].map((text) => store.dispatch(keepDraft({ id: 'a', text }))))
  expect(fake.rows.drafts.get('a')).toEqual({ id: 'a', text: '128' })
  expect(fake.batches.slice(before).filter(({ put }) => put?.drafts)).toHaveLength(1)
})

test('a picture and its line in the ledger are one write, to be read back', async () => {
  const job = await start()
  const blob = new Blob([new Uint8Array([1, 2, 3])], { type: 'image/png' })
  await store.dispatch(addPicture(job.id, blob, { caption: 'as found', stepId: 'asFound' }))
  const [entry] = view(job.id)?.entries ?? []
  if (entry?.kind !== 'picture') throw new Error('no picture')
  expect(entry).toMatchObject({ caption: 'as found', bytes: 3, mediaType: 'image/png' })
  expect(Object.keys(fake.batches.at(-1)?.put ?? {})).toEqual(['pictures', 'entries', 'summaries'])
  expect(await store.dispatch(readPicture(entry.pictureId))).toBe(blob)
  expect(await store.dispatch(readPicture('nowhere'))).toBeUndefined()
})

test('a device that was given a new name writes under it, above everything it knows', async () => {
  const job = await start()
  await store.dispatch(say(job.id, [{ kind: 'note', text: 'a' }]))
  const entries = (view(job.id)?.entries ?? []).map((entry) => ({ ...entry, id: 'lost', counter: 2 }))
  const device = [{ id: 'device', value: 'd-other' }]
  store.dispatch(written({ put: { entries, meta: device } }))
  const [said] = await store.dispatch(say(job.id, [{ kind: 'note', text: 'b' }]))
  expect(said).toMatchObject({ device: 'd-other', counter: 3, seen: { 'd-test': 2 } })
})

test('what a job or an engine wants and is not there is refused with its reason', async () => {
  const refusal = async (work: Promise<unknown>) => failureOf(await work.catch((cause: unknown) => cause)).code
  expect(await refusal(store.dispatch(say('nowhere', [{ kind: 'note', text: 'x' }])))).toBe('gone')
  expect(await refusal(store.dispatch(changeSheet('nowhere', (sheet) => sheet)))).toBe('gone')
})

test('a change that the schema does not take is refused whole', async () => {
  const bad = store.dispatch(changeSheet('engine', (sheet) => ({ ...sheet, cycleDeg: 540 as 720 })))
  expect(failureOf(await bad.catch((cause: unknown) => cause)).code).toBe('refused')
  expect(selectSheets(store.getState(), 'engine')[0]?.cycleDeg).toBe(720)
  const job = await start()
  await expect(store.dispatch(say(job.id, [{ kind: 'turned', deg: 1e9, ended: 'onMark' }]))).rejects.toThrow()
  expect(view(job.id)?.entries).toHaveLength(0)
})

test('ids that objects have of their own are found only where they are', () => {
  const name = 'toString'
  expect(view(name)).toBeUndefined()
  store.dispatch(written({ put: { engines: [{ id: name, name: 'Odd', description: '', at }] } }))
  expect(store.getState().engines.ids).toContain(name)
})

test('notes of the workshop itself are kept', async () => {
  await store.dispatch(notePut([{ id: 'saved', value: 'today' }]))
  expect(store.getState().meta).toMatchObject({ saved: 'today' })
})
