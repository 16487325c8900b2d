import { expect, test } from 'vitest'
import { unsaved } from './overdue'

const now = '2026-11-27T08:00:00.000Z'
const entries = (n: number, at = '2026-11-26T08:00:00.000Z') => ({ entries: n, firstAt: n === 0 ? undefined : at })
const never = { savedAt: undefined, savedEntries: 0 }
const days = (n: number) => new Date(Date.parse(now) - n * 86_400_000).toISOString()

test.each([
  ['nothing written', never, entries(0), 0, false],
  ['a day’s work, never saved', never, entries(49), 49, false],
  ['fifty lines, never saved', never, entries(50), 50, true],
  ['one line of two weeks ago, never saved', never, entries(1, days(14)), 1, true],
  ['saved long ago, nothing new', { savedAt: days(400), savedEntries: 9 }, entries(9), 0, false],
  ['saved thirteen days ago, one new', { savedAt: days(13), savedEntries: 9 }, entries(10), 1, false],
  ['saved fourteen days ago, one new', { savedAt: days(14), savedEntries: 9 }, entries(10), 1, true],
  ['a job taken out since', { savedAt: days(20), savedEntries: 9 }, entries(4), 0, false],
])('%s', (_what, saved, lines, count, isOverdue) => {
  expect(unsaved(saved, lines, now)).toEqual({ count, isOverdue })
})
