import { bench, describe } from 'vitest'
import { judgeGuard } from '../guard'
import type { Entry, NewEntry } from '../model'
import { makeRunSheet, statusOf } from '../runSheet'
import { firstJob, oneChainSheet, counted, entriesOf, stops } from '../testing/oneChain'
import { everyKind } from '../testing/everyKind'
import { foldEngine, foldOn, stateOfJob, type EngineFold } from '.'

/* The fold of a job's ledger: whole, in three sizes; one line more on top; and a plain scan of as many lines beside them. */

const sheet = oneChainSheet()
const usual = everyKind.filter(({ kind }) => kind !== 'sheet' && kind !== 'strike' && kind !== 'close')

const ledger = (n: number, newEntries: readonly NewEntry[]): Entry[] =>
  entriesOf(Array.from({ length: n }, (_, i) => newEntries[i % newEntries.length] as NewEntry)).map((entry, i) => ({
    ...entry,
    id: `e${i}`,
    counter: i + 1,
    seen: {},
  }))

function folded(entries: readonly Entry[]): EngineFold {
  const fold = foldEngine({ jobs: [firstJob], sheets: [sheet], entries })
  stateOfJob(fold, firstJob.id)
  return fold
}

/** Everything that a screen asks of a job after a line was written. */
function asked(fold: EngineFold): void {
  const state = stateOfJob(fold, firstJob.id)
  judgeGuard(sheet, state)
  for (const step of makeRunSheet(sheet)) statusOf({ step, sheet, job: firstJob, state })
}

const kinds: readonly (readonly [string, readonly NewEntry[]])[] = [
  ['every kind in turn', usual],
  ['counts', [counted(29)]],
  ['stop contacts', [stops(340, 30)]],
  ['camshafts', usual.filter(({ kind }) => kind === 'camshaft')],
  ['turns', usual.filter(({ kind }) => kind === 'turned')],
]

describe.each(kinds)('a ledger of %s', (_name, newEntries) => {
  for (const n of [100, 1000, 10_000]) {
    const entries = ledger(n, newEntries)
    bench(`${n} lines folded`, () => void folded(entries))
    bench(`${n} lines scanned`, () => void entries.filter(({ kind, at }) => kind === 'note' && at !== ''))
  }
})

describe('in a job of 5,000 lines', () => {
  const entries = ledger(5002, usual)
  const before = folded(entries.slice(0, 5000))
  const turned = { ...(entries.find(({ kind }) => kind === 'turned') as Entry), id: 'x', counter: 5001 }
  const contacts = { ...(entries.find(({ kind }) => kind === 'stopContacts') as Entry), id: 'x', counter: 5001 }
  bench('one line more, in order', () => asked(foldOn(before, turned)))
  bench('one line more that reaches back', () => asked(foldOn(before, contacts)))
})
