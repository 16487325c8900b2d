import { expect, test } from 'vitest'
import { foldEngine, stateOfJob } from '@link-count/core/ledger'
import { firstJob, oneChainSheet, entriesOf, turned } from '@link-count/core/testing/oneChain'
import { foldOf } from './folds'

const jobs = [firstJob]
const sheets = [oneChainSheet()]
const entries = entriesOf(Array.from({ length: 6 }, () => turned(90))).map((entry, i) => ({
  ...entry,
  counter: i + 1,
  seen: {},
}))
const totalOf = (fold: ReturnType<typeof foldOf>) => stateOfJob(fold, firstJob.id).crank.totalDeg

test('the same work is the same fold; lines on top carry it on to what folding all of them gives', () => {
  const first = foldOf('one', { jobs, sheets, entries: entries.slice(0, 3) })
  expect(foldOf('one', { jobs, sheets, entries: entries.slice(0, 3) })).not.toBe(foldEngine({ jobs, sheets, entries }))
  const work = { jobs, sheets, entries }
  const on = foldOf('one', work)
  expect(foldOf('one', work)).toBe(on)
  expect(totalOf(on)).toBe(540)
  expect(totalOf(first)).toBe(270)
  expect(stateOfJob(on, firstJob.id)).toEqual(stateOfJob(foldEngine(work), firstJob.id))
})

test('fewer lines, other lines, another sheet: folded anew', () => {
  foldOf('two', { jobs, sheets, entries })
  expect(totalOf(foldOf('two', { jobs, sheets, entries: entries.slice(0, 2) }))).toBe(180)
  const other = entries.map((entry, i) => (i === 0 && entry.kind === 'turned' ? { ...entry, deg: 10 } : entry))
  expect(totalOf(foldOf('two', { jobs, sheets, entries: other }))).toBe(460)
  const cycle = [{ ...oneChainSheet(), notes: 'other' }]
  expect(stateOfJob(foldOf('two', { jobs, sheets: cycle, entries }), firstJob.id).sheetId).toBe('sheet')
})

test('engines gone to and fro between do not mix', () => {
  for (let round = 0; round < 3; round++)
    for (let i = 0; i < 12; i++)
      expect(totalOf(foldOf(`engine-${i}`, { jobs, sheets, entries: entries.slice(0, (i % 6) + 1) }))).toBe(
        90 * ((i % 6) + 1),
      )
})
