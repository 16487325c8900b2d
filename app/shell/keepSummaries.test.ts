import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { beginSheet } from '@link-count/core/starters'
import { openEngine } from '../domain/notes'
import { MADE_BY } from '../domain/summaries'
import { beginEngine, openJob, say } from '../domain/writes'
import { fakeWorkshop, type Fake } from '../testing/fakeEnv'
import { keepSummaries } from './keepSummaries'

let fake: Fake
let end: (() => void) | undefined
const at = '2026-11-24T08:00:00.000Z'
const row = () => fake.store.getState().summaries.get('engine')
const made = () => vi.waitFor(() => expect(row()?.summary).toBeDefined(), { timeout: 30_000 })

beforeEach(async () => {
  fake = fakeWorkshop()
  const sheet = beginSheet({ id: 'sheet', engineId: 'engine', at, cylinders: 1, guide: false, tensioner: true })
  await fake.store.dispatch(beginEngine({ id: 'engine', name: 'Engine', description: '', at }, sheet))
  await fake.store.dispatch(openEngine('engine'))
})
afterEach(() => end?.())

test('an engine that waits is summed up; with every line it waits again, and never shows what it was', async () => {
  expect(row()?.waiting).toBeDefined()
  end = keepSummaries(fake.store, 'own')
  await made()
  expect(row()).toMatchObject({ madeBy: MADE_BY, summary: { headline: 'No job yet', next: 'engine' } })
  expect(row()?.waiting).toBeUndefined()
  const job = await fake.store.dispatch(openJob({ engineId: 'engine', sheetId: 'sheet', arrival: 'whole', reason: '' }))
  expect(row()?.summary).toBeUndefined()
  await made()
  expect(row()?.summary).toMatchObject({ headline: 'Make safe', jobId: job.id, next: 'job', urgent: true })
  await fake.store.dispatch(say(job.id, [{ kind: 'note', text: 'x' }]))
  expect(row()).toEqual({ id: 'engine', waiting: row()?.waiting })
})

test('what was begun before something was written is not put in the place of what then waits', async () => {
  const { putSummary } = await import('../domain/notes')
  const summary = { headline: 'was' } as never
  const was = row()?.waiting
  const job = await fake.store.dispatch(openJob({ engineId: 'engine', sheetId: 'sheet', arrival: 'whole', reason: '' }))
  await fake.store.dispatch(putSummary({ id: 'engine', madeBy: MADE_BY, summary }, was))
  expect(row()?.summary).toBeUndefined()
  await fake.store.dispatch(putSummary({ id: 'engine', madeBy: MADE_BY, summary }, row()?.waiting))
  expect(row()?.summary).toBe(summary)
  expect(job.number).toBe(1)
})

test('a summary of another build is made anew', async () => {
  const { putSummary } = await import('../domain/notes')
  const old = { id: 'engine', madeBy: 'another build', summary: { headline: 'old words' } as never }
  await fake.store.dispatch(putSummary(old, row()?.waiting))
  end = keepSummaries(fake.store, 'own')
  await vi.waitFor(() => expect(row()?.madeBy).toBe(MADE_BY), { timeout: 30_000 })
  expect(row()?.summary?.headline).toBe('No job yet')
})

test('one that cannot be summed up is told, and tried again when something is written', async () => {
  const views = await import('../domain/views')
  const broken = vi.spyOn(views, 'selectLatest').mockImplementation(() => {
    throw new Error('broken')
  })
  end = keepSummaries(fake.store, 'own')
  const { waiting } = row() ?? {}
  await vi.waitFor(() => expect(fake.store.getState().screen.notSummedUp['engine']).toBe(waiting))
  expect(row()?.summary).toBeUndefined()
  broken.mockRestore()
  await fake.store.dispatch(openJob({ engineId: 'engine', sheetId: 'sheet', arrival: 'whole', reason: '' }))
  await made()
})
