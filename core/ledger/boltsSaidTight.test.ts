import { describe, expect, test } from 'vitest'
import { entriesOf, firstJob, oneChainSheet } from '../testing/oneChain'
import type { Entry, NewEntry } from '../model/entry'
import { foldEngine, foldJob, foldOn, stateOfJob } from '.'

/* Bolts off the register because each was written as through. Independently worked out, line by line. */

const loose = { itemId: 'bolts-caps', item: 'capsLoose', where: 'cam caps' } as const
const isIn: NewEntry = { kind: 'item', ...loose, change: 'in' }
const tight: NewEntry = { kind: 'item', ...loose, change: 'out', boltGroupId: 'caps' }
const byHand: NewEntry = { kind: 'item', ...loose, change: 'out' }
const through = (boltId: string): NewEntry => ({ kind: 'bolt', groupId: 'caps', boltId, pass: 0, did: 'tightened' })

const strike = (targetId: string | undefined): NewEntry => ({ kind: 'strike', targetId: targetId ?? '', reason: '' })

function written(newEntries: readonly NewEntry[], device: string, from: number, seen: Record<string, number> = {}) {
  return entriesOf(newEntries, device, from).map((entry): Entry => ({
    ...entry,
    id: `${device}-${entry.counter}`,
    seen,
  }))
}

const looseOn = (entries: readonly Entry[]) =>
  foldJob({ job: firstJob, sheets: [oneChainSheet()], entries }).register.map(({ itemId }) => itemId)

describe('bolts that were said to be tight', () => {
  const done = written([isIn, through('b1'), through('b2'), tight], 'd-1', 1)
  const struck = written([strike(done[1]?.id)], 'd-1', 5)

  test('are off the register with the last of them', () => expect(looseOn(done)).toEqual([]))
  test('stand on it again when the line of one is struck, first or last', () => {
    expect(looseOn([...done, ...struck])).toEqual(['bolts-caps'])
    expect(looseOn([...done, ...written([strike(done[2]?.id)], 'd-1', 5)])).toEqual(['bolts-caps'])
  })
  test('are tight once that one is done again and they are said to be so', () =>
    expect(looseOn([...done, ...struck, ...written([through('b1'), tight], 'd-1', 6)])).toEqual([]))
  test('are tight when the strike is struck', () =>
    expect(looseOn([...done, ...struck, ...written([strike(struck[0]?.id)], 'd-1', 6)])).toEqual([]))
  test('stay tight by a word of its own', () => {
    const all = written([isIn, through('b1'), byHand], 'd-1', 1)
    expect(looseOn([...all, ...written([strike(all[1]?.id)], 'd-1', 4)])).toEqual([])
  })
  test('are not so by a device that did not know of the strike, in whatever order the lines come', () => {
    const begun = written([isIn, through('b1')], 'd-1', 1)
    const there = written([strike(begun[1]?.id)], 'd-1', 3)
    const here = written([through('b2'), tight], 'd-2', 3, { 'd-1': 2 })
    expect(looseOn([...begun, ...there, ...here])).toEqual(['bolts-caps'])
    expect(looseOn([...here, ...there, ...begun])).toEqual(['bolts-caps'])
    const knowing = written([through('b1'), through('b2'), tight], 'd-2', 4, { 'd-1': 3 })
    expect(looseOn([...begun, ...there, ...knowing])).toEqual([])
  })
  test('are judged the same line by line', () => {
    const begun = [...written([isIn, through('b1')], 'd-1', 1)]
    const later = [...written([strike(begun[1]?.id)], 'd-1', 3), ...written([tight], 'd-2', 4, { 'd-1': 2 })]
    const ledger = { jobs: [firstJob], sheets: [oneChainSheet()], entries: begun }
    const step = later.reduce((fold, entry) => foldOn(fold, entry), foldEngine(ledger))
    expect(stateOfJob(step, firstJob.id).register.map(({ itemId }) => itemId)).toEqual(['bolts-caps'])
  })
})
