import { beforeEach, expect, test } from 'vitest'
import { noteTyped, takeTypedLeft } from './localNote'

beforeEach(() => localStorage.clear())

test('what was typed and not stored comes back once, also that a field was emptied', () => {
  noteTyped(
    'own',
    'tab',
    [
      ['stroke', '80 mm'],
      ['rod', undefined],
    ],
    7,
  )
  expect(takeTypedLeft('demo', 7)).toEqual([])
  expect(takeTypedLeft('own', 7)).toEqual([
    ['stroke', '80 mm'],
    ['rod', undefined],
  ])
  expect(takeTypedLeft('own', 7)).toEqual([])
})

test('a note that is older than what was stored since does not come back over it', () => {
  noteTyped('own', 'tab', [['stroke', '80 mm']], 6)
  expect(takeTypedLeft('own', 7)).toEqual([])
})

test('a database that was lost, or a broken note, does no harm', () => {
  noteTyped('own', 'a', [['stroke', '80 mm']], 6)
  localStorage.setItem('link-count-own-typing-b', '{"typed":')
  localStorage.setItem('link-count-own-typing-c', '[["stroke","81 mm"]]')
  expect(takeTypedLeft('own', 0)).toEqual([['stroke', '80 mm']])
})
