import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { pageCuts } from './saveCard'
import { MOST_CODE_BYTES, shortCardText } from './shortCard'

const bytes = (text: string) => new TextEncoder().encode(text).length

describe('the code of a short card', () => {
  test('short lines are all there', () => expect(shortCardText(['Tourer', 'Job 1'])).toBe('Tourer\nJob 1'))
  test('whatever is on it, it is plain text of at most 600 bytes, cut at the end of a line', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ unit: 'grapheme', maxLength: 200 }), { minLength: 1, maxLength: 30 }),
        (lines) => {
          const text = shortCardText(lines)
          expect(bytes(text)).toBeLessThanOrEqual(MOST_CODE_BYTES)
          if (bytes(lines.join('\n')) > MOST_CODE_BYTES) expect(text.endsWith('…')).toBe(true)
          else expect(text).toBe(lines.join('\n'))
        },
      ),
    )
  })
})

describe('pages of a card', () => {
  test('one that fits is one page', () => expect(pageCuts([100, 200], 500, 800)).toEqual([0, 500]))
  test('a longer one is cut at the last row that fits; a row longer than a page is cut through', () => {
    expect(pageCuts([300, 700, 900, 1500], 1600, 800)).toEqual([0, 700, 1500, 1600])
    expect(pageCuts([], 2000, 800)).toEqual([0, 800, 1600, 2000])
  })
})
