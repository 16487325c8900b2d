import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { oneChainSheet } from '../testing/oneChain'
import { inGroups, inOrder, makeRunSheet, stepKinds, type StepKind, type StepKindRecord } from '.'

const kinds = Object.keys(stepKinds) as StepKind[]
const recordOf = (kind: StepKind): StepKindRecord => stepKinds[kind]

/** What stands before what it needs. */
const tooEarly = (order: readonly StepKind[]) =>
  order.filter((kind, i) =>
    order.slice(i + 1).some((later) => recordOf(later).gives.some((one) => recordOf(kind).needs.includes(one))),
  )

describe('the order of a run sheet', () => {
  test('follows from what steps need and give, however they are listed', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(kinds, { minLength: 1 }), (listed) => {
        const order = inOrder(listed, recordOf)
        expect([...order].sort()).toEqual([...listed].sort())
        expect(tooEarly(order)).toEqual([])
      }),
    )
  })

  test('keeps the order of the table among those that may come next', () => {
    expect(inOrder(kinds, recordOf)).toEqual(kinds)
  })

  test('two that need each other stay as they stand', () => {
    const loop = { a: { needs: ['zero'], gives: ['half'] }, b: { needs: ['half'], gives: ['zero'] } } as const
    expect(inOrder(['a', 'b'] as const, (one) => loop[one])).toEqual(['a', 'b'])
  })
})

describe('groups', () => {
  test('what is done at the timing position is one group', () => {
    const groups = inGroups(oneChainSheet(), makeRunSheet(oneChainSheet()))
    expect(groups.map(({ crankAt, steps }) => [crankAt?.at, steps.map(({ kind }) => kind)])).toEqual([
      [undefined, ['makeSafe', 'lashFound', 'trueTdc']],
      ['tdc', ['whichTdc']],
      [undefined, ['asFound']],
      ['pose', ['poseChainOff', 'setCam', 'chainOnCount']],
      [undefined, ['tensioner', 'twoTurns', 'lashLeft', 'card']],
    ])
  })

  test('every step has an id of its own that a line may hold', () => {
    const many = sheetWithDrive('splinedBanks', { 'crank-sprocket': 20, 'half-sprocket': 40 })
    const named = { ...many, loops: many.loops.map((loop, i) => ({ ...loop, id: `${'l'.repeat(62)}${i}` })) }
    for (const sheet of [many, named, oneChainSheet()]) {
      const ids = makeRunSheet(sheet).map(({ id }) => id)
      expect(new Set(ids).size).toBe(ids.length)
      for (const id of ids) expect(id).toMatch(/^[A-Za-z0-9_-]{1,64}$/)
    }
  })
})
