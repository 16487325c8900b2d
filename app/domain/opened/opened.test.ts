import { expect, test } from 'vitest'
import { firstJob, oneChainSheet, entriesOf } from '@link-count/core/testing/oneChain'
import { engineRead, loaded, written } from '../written'
import { openedReducer, type OpenEngines } from '.'

const lines = entriesOf([
  { kind: 'note', text: 'a' },
  { kind: 'note', text: 'b' },
])
const read = { engineId: 'engine', jobIds: ['job'], sheets: [oneChainSheet()], entries: lines }
const open = openedReducer(undefined, engineRead(read))
const engine = (state: OpenEngines) => state['engine']
const [more] = entriesOf([{ kind: 'note', text: 'c' }])

test('what was read for a page is at hand, and nothing of other engines', () => {
  expect(engine(open)?.entries).toEqual(lines)
  expect(Object.keys(open)).toEqual(['engine'])
  expect('toString' in open).toBe(false)
})

test('a batch of another engine leaves it the very same', () => {
  const elsewhere = { ...(more ?? lines[0]), jobId: 'other' } as (typeof lines)[number]
  const sheets = [{ ...oneChainSheet(), engineId: 'other', id: 'x' }]
  expect(openedReducer(open, written({ put: { entries: [elsewhere], sheets } }))).toBe(open)
  expect(openedReducer(open, written({ put: { drafts: [{ id: 'a', text: 'b' }] } }))).toBe(open)
})

test('lines come at the end, once each, and are never changed; the lines before stay the same values', () => {
  const again = { ...lines[0], text: 'other' } as (typeof lines)[number]
  const after = openedReducer(open, written({ put: { entries: [again, ...(more ? [more] : [])] } }))
  expect(engine(after)?.entries).toEqual([...lines, more])
  expect(engine(after)?.entries[0]).toBe(lines[0])
})

test('a sheet takes the place of itself, a new one comes beside it; a job that is opened brings its lines', () => {
  const changed = { ...oneChainSheet(), notes: 'changed' }
  const next = { ...oneChainSheet(), id: 'sheet-2', version: 2 }
  const sheets = engine(openedReducer(open, written({ put: { sheets: [changed, next] } })))?.sheets
  expect(sheets).toEqual([changed, next])
  const job = { ...firstJob, id: 'job-2', number: 2 }
  const its = { ...(more ?? lines[0]), jobId: 'job-2' } as (typeof lines)[number]
  const after = openedReducer(open, written({ put: { jobs: [job], entries: [its] } }))
  expect(engine(after)?.entries).toContain(its)
})

test('what is dropped goes; what is read anew takes the place of all', () => {
  const after = openedReducer(open, written({ drop: { entries: [lines[0]?.id ?? ''], sheets: ['sheet'] } }))
  expect(engine(after)).toMatchObject({ entries: [lines[1]], sheets: [] })
  expect(Object.keys(openedReducer(open, loaded({})))).toEqual([])
  expect(engine(openedReducer(undefined, loaded({ opened: [read] })))?.entries).toEqual(lines)
})
