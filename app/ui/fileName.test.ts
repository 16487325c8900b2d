import { expect, test } from 'vitest'
import { fileName } from './fileName'

test('what is saved is named after its engine, whatever that is called', () => {
  expect(fileName('Tourer of 1934', 'rim tape')).toBe('tourer-of-1934-rim-tape')
  expect(fileName('../../“Grüne” 2/3', 'link map')).toBe('grüne-2-3-link-map')
  expect(fileName('***', 'card')).toBe('card')
})
