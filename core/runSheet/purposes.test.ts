import { describe, expect, test } from 'vitest'
import { PURPOSES } from '../model'
import { beginSheet, NEEDS_STAR, NEEDS_TWO_BANKS, TOPOLOGIES, type Topology } from '../starters'
import { oneChainSheet } from '../testing/oneChain'
import { makeRunSheet, purposesOf, stepKinds, stepsOf, type StepKindRecord } from '.'

const sheetOf = (drive: Topology | 'oneChain') =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 6,
    layout: NEEDS_STAR.includes(drive as Topology)
      ? 'radial'
      : NEEDS_TWO_BANKS.includes(drive as Topology)
        ? 'vee'
        : 'inLine',
    drive,
    guide: false,
    tensioner: true,
  })
const kindsOf = (sheet: ReturnType<typeof oneChainSheet>, purpose: (typeof PURPOSES)[number]) =>
  stepsOf(makeRunSheet(sheet, purpose)).map(({ kind }) => kind)

describe.each(PURPOSES)('a job that is here for %s', (purpose) => {
  test.each(['oneChain', ...TOPOLOGIES] as const)(
    '%s: made safe first, a card last, each step after what it needs',
    (drive) => {
      const steps = stepsOf(makeRunSheet(sheetOf(drive), purpose))
      expect(steps.at(0)?.kind).toBe('makeSafe')
      expect(steps.at(-1)?.kind).toBe('card')
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length)
      steps.forEach(({ kind }, i) => {
        const { needs }: StepKindRecord = stepKinds[kind]
        const later = steps.slice(i + 1).filter((one) => one.kind !== kind)
        // Bank after bank a place is worked whole before the next: what it needs may be given there once more.
        for (const need of needs) {
          const given = steps.slice(0, i).some((one) => (stepKinds[one.kind] as StepKindRecord).gives.includes(need))
          const comes = later.some((one) => (stepKinds[one.kind] as StepKindRecord).gives.includes(need))
          expect(given || !comes, `${kind} needs ${need}`).toBe(true)
        }
      })
    },
  )
})

test('what lays, tightens or judges a drive is turned twice before the card', () => {
  for (const purpose of PURPOSES) {
    const kinds = kindsOf(oneChainSheet(), purpose)
    const touches = kinds.some((kind) => kind === 'chainOnCount' || kind === 'tensioner' || kind === 'setCam')
    if (touches) expect(kinds, purpose).toContain('twoTurns')
  }
})

test('tension only: its own step, the turns, the card; look only at most ten for one camshaft', () => {
  expect(kindsOf(oneChainSheet(), 'tensionOnly')).toEqual(['makeSafe', 'tensioner', 'twoTurns', 'card'])
  expect(kindsOf(oneChainSheet(), 'lookOnly').length).toBeLessThanOrEqual(10)
  expect(kindsOf(oneChainSheet(), 'timingKept')).not.toContain('trueTdc')
})

test('a job of before, without a purpose, is the whole of it', () => {
  expect(makeRunSheet(oneChainSheet())).toEqual(makeRunSheet(oneChainSheet(), 'whole'))
})

test('an engine is offered what it has steps for', () => {
  expect(purposesOf(oneChainSheet())).toEqual(PURPOSES)
  expect(purposesOf(sheetOf('gearPair'))).not.toContain('tensionOnly')
  expect(purposesOf(sheetOf('gearPair'))).not.toContain('timingKept')
})
