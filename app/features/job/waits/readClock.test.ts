import { describe, expect, test } from 'vitest'
import { readClock } from './readClock'

/** Five past ten by the clock on this wall. */
const now = new Date(2026, 10, 28, 10, 5, 30).toISOString()
const at = (text: string, yesterday = false) => readClock(text, now, yesterday)

describe('a time off a watch', () => {
  test.each([
    ['10:05', 5],
    ['1005', 5],
    ['9.30', 30],
    ['0:00', 0],
  ])('%s', (text, minutes) => {
    const read = at(text)
    expect(read.ok && new Date(read.value).getMinutes()).toBe(minutes)
  })
  test('one that has still to come is refused, and taken of yesterday', () => {
    expect(at('23:50')).toEqual({ ok: false, error: { code: 'stillToCome' } })
    const before = at('23:50', true)
    expect(before.ok && new Date(before.value).getDate()).toBe(27)
  })
  test.each(['', '25:00', '10:61', 'ten', '10:5'])('%s is none', (text) => expect(at(text).ok).toBe(false))
})
