import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Entry, NewEntry } from '../model'
import { firstJob, oneChainSheet, entriesOf } from '../testing/oneChain'
import { everyKind } from '../testing/everyKind'
import { randomWalk } from '../testing/walks'
import { foldEngine, foldOn, stateOfJob, type EngineFold } from '.'

/** A fold without what it works out only when asked, to be held against another. */
const said = (fold: EngineFold) => ({
  states: fold.read.ledger.jobs.map(({ id }) => stateOfJob(fold, id)),
  struck: fold.read.struck,
  ordered: fold.read.ordered.map(({ id }) => id),
})

/** Entry by entry, each on top of the ones before; asked now and then, so that what is kept is used. */
function stepByStep(ledger: Parameters<typeof foldEngine>[0], askEvery: number): EngineFold {
  let fold = foldEngine({ ...ledger, entries: [] })
  ledger.entries.forEach((entry, i) => {
    fold = foldOn(fold, entry)
    if (i % askEvery === 0) said(fold)
  })
  return fold
}

const numbered = (newEntries: readonly NewEntry[], seen = {}): Entry[] =>
  entriesOf(newEntries).map((entry, i) => ({ ...entry, id: `e${i}`, counter: i + 1, seen }))

describe('one line more is the same as folding everything anew', () => {
  const sheet = oneChainSheet()
  const jobs = [firstJob, { ...firstJob, id: 'job-2', number: 2 }]
  const anyLine = fc.record({ newEntry: fc.constantFrom(...everyKind), jobId: fc.constantFrom('job-2', firstJob.id) })

  test('for lines of every kind in any order, in two jobs', () => {
    fc.assert(
      fc.property(fc.array(anyLine, { maxLength: 25 }), fc.integer({ min: 1, max: 6 }), (lines, askEvery) => {
        const entries = numbered(lines.map(({ newEntry }) => newEntry)).map((entry, i) => ({
          ...entry,
          jobId: lines[i]?.jobId ?? firstJob.id,
        }))
        const ledger = { jobs, sheets: [sheet], entries }
        expect(said(stepByStep(ledger, askEvery))).toEqual(said(foldEngine(ledger)))
      }),
      { numRuns: 60 },
    )
  })

  test.each(everyKind.map((newEntry) => [newEntry.kind, newEntry] as const))(
    'for %s after work of other kinds',
    (_kind, last) => {
      const entries = numbered([...everyKind.filter(({ kind }) => kind !== 'close'), last])
      const ledger = { jobs, sheets: [sheet], entries }
      const before = foldEngine({ ...ledger, entries: entries.slice(0, -1) })
      said(before)
      expect(said(foldOn(before, entries.at(-1) as Entry))).toEqual(said(foldEngine(ledger)))
    },
  )

  test('for lines that arrive out of order, and such as knew nothing of others', () => {
    const lines = numbered(everyKind)
    const old = lines.map((entry) => {
      const { seen: _seen, ...rest } = entry
      return rest
    })
    for (const entries of [lines.toReversed(), old, [...old.slice(0, 20), ...lines.slice(20)]]) {
      const ledger = { jobs, sheets: [sheet], entries }
      expect(said(stepByStep(ledger, 7))).toEqual(said(foldEngine(ledger)))
    }
  })

  test.each([1, 2, 3])('on walks as %i devices write them, jobs after jobs and sheets after sheets', (devices) => {
    for (let seed = 1; seed <= 40; seed++) {
      const { jobs: visits, sheets, entries } = randomWalk(seed, { devices, steps: 24 })
      const ledger = { jobs: visits, sheets, entries }
      expect(said(stepByStep(ledger, 5)), `seed ${seed}`).toEqual(said(foldEngine(ledger)))
    }
  })

  test('what was folded before stays as it was', () => {
    const entries = numbered(everyKind)
    let fold = foldEngine({ jobs, sheets: [sheet], entries: [] })
    for (const entry of entries) {
      const was = plain(said(fold).states)
      const next = foldOn(fold, entry)
      said(next)
      fold.states.clear()
      expect(plain(said(fold).states)).toEqual(was)
      fold = next
    }
  })
})

/** A copy that nothing reaches. */
const plain = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value, (_key, one: unknown) => (one instanceof Map || one instanceof Set ? [...one] : one)))
