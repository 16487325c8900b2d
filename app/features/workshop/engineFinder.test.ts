import { expect, test } from 'vitest'
import type { Engine } from '@link-count/core/model'
import { engineFinder } from './engineFinder'

const engine = (id: string, name: string, description = '', tags?: string[]): Engine => ({
  id,
  name,
  description,
  at: '2026-01-01T00:00:00.000Z',
  ...(tags ? { tags } : {}),
})

test('engines are found by the beginning of a word, with a letter wrong, by a tag, and by all words together', () => {
  const find = engineFinder([
    engine('a', 'Ploughing tractor', '3-cylinder diesel'),
    engine('b', 'Survey launch', 'V6 petrol', ['club', 'wants a belt']),
    engine('c', 'Ploughing engine, the other', 'single, paraffin'),
  ])
  expect([...find('plou')].sort()).toEqual(['a', 'c'])
  expect(find('tracter')).toEqual(['a'])
  expect(find('club')).toEqual(['b'])
  expect(find('ploughing paraffin')).toEqual(['c'])
  expect(find('steam')).toEqual([])
})
