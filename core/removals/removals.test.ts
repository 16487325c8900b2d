import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { NewEntry } from '../model'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import { differsFromFound, foundBefore, goesBefore, removalsOf, talliesOf, talliesOpen, toRefit } from '.'

const off = (removalId: string): NewEntry => ({ kind: 'tookOff', removalId, what: removalId, belongs: '', lies: '' })
const back = (removalId: string, as: 'same' | 'turned' = 'same'): NewEntry => ({
  kind: 'putBack',
  removalId,
  as,
  reason: '',
})
const after = (...entries: NewEntry[]) => removalsOf(stateAfter(entries, oneChainSheet()))
const names = (list: readonly { readonly entry: { readonly removalId: string } }[]) =>
  list.map(({ entry }) => entry.removalId)

describe('what came off, turned round', () => {
  // In this order they came off; a washer goes on before the cover that held it down, the cover before its pulley.
  const came = ['pulley', 'cover', 'washer']
  test('the last that came off goes on first', () =>
    expect(names(toRefit(after(...came.map(off))))).toEqual(['washer', 'cover', 'pulley']))
  test('what came off after a thing and lies on the bench still goes on before it', () => {
    const some = after(...came.map(off), back('washer'))
    expect(names(goesBefore(some, 'pulley'))).toEqual(['cover'])
    expect(names(goesBefore(some, 'washer'))).toEqual([])
    expect(goesBefore(some, 'nothing')).toEqual([])
  })
  test('taken off again it is off, and comes last', () => {
    const again = after(...came.map(off), back('pulley'), off('pulley'))
    expect(names(toRefit(again))).toEqual(['pulley', 'washer', 'cover'])
  })
  test('what went back the other way round is told', () =>
    expect(names(differsFromFound(after(...came.map(off), back('cover', 'turned'), back('washer'))))).toEqual([
      'cover',
    ]))
  test('any list put back in its order passes each thing once and owes nothing on the way', () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 999 }), { maxLength: 14 }), (ids) => {
        const list = ids.map((id) => `part-${id}`)
        const entries = list.map(off)
        for (let left = after(...entries); toRefit(left).length > 0; left = after(...entries)) {
          const next = toRefit(left)[0]?.entry.removalId ?? ''
          expect(goesBefore(left, next)).toEqual([])
          entries.push(back(next))
        }
        expect(names(toRefit(after(...entries)))).toEqual([])
        expect(entries.slice(list.length).flatMap((one) => (one.kind === 'putBack' ? [one.removalId] : []))).toEqual(
          list.toReversed(),
        )
      }),
      { numRuns: 40 },
    ))
})

test('how a thing lay in an earlier job: of the newest that says so, whatever the case', () => {
  const lay = (lies: string): NewEntry => ({ ...off('Guide plate'), lies }) as NewEntry
  const earlier = [
    { job: '3', removals: after(lay('')) },
    { job: '2', removals: after(lay('bevel outward'), back('Guide plate', 'turned')) },
    { job: '1', removals: after(lay('bevel inward')) },
  ]
  expect(foundBefore(earlier, ' guide plate')).toMatchObject({ job: '2', back: { as: 'turned' } })
  expect(foundBefore(earlier, 'cover')).toBeUndefined()
  expect(foundBefore(earlier, '')).toBeUndefined()
})

describe('small parts', () => {
  const some = (change: 'out' | 'fitted', n: number, what = 'Copper washers'): NewEntry => ({
    kind: 'smallParts',
    what,
    where: 'injectors',
    change,
    n,
  })
  test('so many of each in each place, and what is short', () => {
    const tallies = talliesOf(
      stateAfter([some('out', 4), some('fitted', 1), some('fitted', 2, 'copper washers')], oneChainSheet()),
    )
    expect(tallies).toEqual([{ what: 'Copper washers', where: 'injectors', out: 4, fitted: 3 }])
    expect(talliesOpen(tallies)).toHaveLength(1)
  })
  test('fitted new where none came out owes nothing', () =>
    expect(talliesOpen(talliesOf(stateAfter([some('fitted', 2)], oneChainSheet())))).toEqual([]))
})
