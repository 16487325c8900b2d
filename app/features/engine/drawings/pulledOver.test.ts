import { expect, test } from 'vitest'
import { pulledOver } from './pulledOver'

/* A level run of 200 px, its wheels of 40 px below both of its ends. */
const run = { from: { x: 0, y: 0 }, to: { x: 200, y: 0 } }
const ends = [
  { id: 'left', centre: { x: 0, y: 40 }, r: 40 },
  { id: 'right', centre: { x: 200, y: 40 }, r: 40 },
]

test('a run pulled past the middle of a wheel goes over it; short of it, beside it or the other way it does not', () => {
  expect(pulledOver(run, { x: 10, y: 50 }, ends)).toBe('left')
  expect(pulledOver(run, { x: 210, y: 90 }, ends)).toBe('right')
  expect(pulledOver(run, { x: 10, y: 30 }, ends)).toBeUndefined()
  expect(pulledOver(run, { x: 100, y: 90 }, ends)).toBeUndefined()
  expect(pulledOver(run, { x: 10, y: -90 }, ends)).toBeUndefined()
})
