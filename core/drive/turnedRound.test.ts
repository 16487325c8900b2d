import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Section, SectionCount } from './sections'
import { isTurnedRound } from './turnedRound'

/* A belt lies on its wheels the same way round whichever side is up: only its lines, at unequal distances, tell. Runs in the order of travel from the driver's
 * mark, made here and turned round by hand. Independently computed. */

const sectionsOf = (pitches: readonly number[]) =>
  pitches.map((n, i) => ({ id: `run ${i}`, expected: { pitches: n } }) as Section)
const foundOf = (pitches: readonly (number | undefined)[]): SectionCount[] =>
  pitches.flatMap((foundPitches, i) => (foundPitches === undefined ? [] : [{ sectionId: `run ${i}`, foundPitches }]))

test('52, 31 and 37 laid on by lines read backwards count 37, 31 and 52', () => {
  const sections = sectionsOf([52, 31, 37])
  expect(isTurnedRound(sections, foundOf([37, 31, 52]))).toBe(true)
  // The slack run is not counted: the other two tell.
  expect(isTurnedRound(sections, foundOf([undefined, 31, 52]))).toBe(true)
  expect(isTurnedRound(sections, foundOf([undefined, 31, 37]))).toBe(false)
  expect(isTurnedRound(sections, foundOf([undefined, 31, undefined]))).toBe(false)
})

test('a tooth out is a tooth out, also where the runs are alike turned round', () => {
  const sections = sectionsOf([40, 20, 21])
  expect(isTurnedRound(sections, foundOf([40, 21, 20]))).toBe(false)
  expect(isTurnedRound(sectionsOf([30, 62]), foundOf([62, 30]))).toBe(false)
})

const runs = fc.array(fc.integer({ min: 8, max: 60 }), { minLength: 3, maxLength: 6 })

test('whichever line lies at the driver’s mark, turned round is told; as it belongs, it never is', () => {
  fc.assert(
    fc.property(runs, fc.nat(5), (pitches, first) => {
      const n = pitches.length
      const turned = pitches.map((_one, i) => pitches[(2 * n + (first % n) - i) % n] ?? 0)
      const isPlain = turned.every((one, i) => Math.abs(one - (pitches[i] ?? 0)) < 2)
      expect(isTurnedRound(sectionsOf(pitches), foundOf(turned))).toBe(!isPlain)
      expect(isTurnedRound(sectionsOf(pitches), foundOf(pitches))).toBe(false)
    }),
  )
})
