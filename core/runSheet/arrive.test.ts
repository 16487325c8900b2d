import fc from 'fast-check'
import { expect, test } from 'vitest'
import { judgeGuard } from '../guard'
import { foldJob } from '../ledger'
import { ARRIVALS, type Arrival, type BuildSheet, type Job, type NewEntry } from '../model'
import { entriesOf, firstJob, oneChainSheet } from '../testing/oneChain'
import { twoBankSheet } from '../testing/walkSheets'
import { arrivalLines, arrivalParts, arrivalsOf, cameIn, isTold, makeRunSheet, offAt, statusOf, withDriven } from '.'

const nothing = { without: new Set<string>(), notKnown: new Set<string>() }
const stateOf = (sheet: BuildSheet, job: Job, lines: readonly NewEntry[]) =>
  foldJob({ job, sheets: [sheet], entries: entriesOf(lines) })
const came = (sheet: BuildSheet, arrival: Arrival, off: ReadonlySet<string>) => {
  const job: Job = { ...firstJob, arrival, without: [...off] }
  return { job, state: stateOf(sheet, job, arrivalLines(sheet, arrival, off, nothing)) }
}

test('whatever it came in without is so in the ledger, and saying how it came in frees nothing', () => {
  for (const sheet of [oneChainSheet(), twoBankSheet()]) {
    const parts = arrivalParts(sheet).map(({ id }) => id)
    fc.assert(
      fc.property(fc.constantFrom(...ARRIVALS), fc.subarray(parts), (arrival, some) => {
        const off = withDriven(sheet, new Set(some))
        const { state } = came(sheet, arrival, off)
        for (const { kind, id } of arrivalParts(sheet)) {
          if (kind === 'loop' && arrival !== 'everyLoopOff')
            expect(state.stand.loops.get(id)?.is).toBe(off.has(id) ? 'off' : 'on')
          if (kind === 'camshaft') expect(state.stand.camshafts.get(id)?.is === 'out').toBe(off.has(id))
          if (kind === 'head')
            expect(state.stand.register.some(({ of }) => of?.what === 'bank' && of.id === id)).toBe(off.has(id))
        }
        // The same lines without the job saying how it came in: the guard says the same, or is told less.
        const plain = stateOf(sheet, firstJob, arrivalLines(sheet, arrival, off, nothing))
        if (arrival !== 'everyLoopOff') expect(judgeGuard(sheet, state).verdict).toBe(judgeGuard(sheet, plain).verdict)
      }),
    )
  }
})

test('as it was left nothing is written; what was left off and is on again is written as on', () => {
  const sheet = oneChainSheet()
  const left = { without: new Set(['chain']), notKnown: new Set<string>() }
  expect(arrivalLines(sheet, 'loopOff', new Set(['chain']), left)).toEqual([])
  expect(arrivalLines(sheet, 'whole', new Set(), left)).toMatchObject([{ kind: 'loop', loopId: 'chain', change: 'on' }])
  // What nobody knows is said either way.
  const unknown = { without: new Set<string>(), notKnown: new Set(['chain']) }
  expect(arrivalLines(sheet, 'whole', new Set(), unknown)).toMatchObject([{ kind: 'loop', change: 'on' }])
})

test('of one chain there is nothing to ask; of several one at least is said', () => {
  expect([...offAt(oneChainSheet(), 'loopOff', new Set())]).toEqual(['chain'])
  const two = twoBankSheet()
  expect([...offAt(two, 'loopOff', new Set())]).toEqual([])
  expect(isTold(two, 'loopOff', new Set())).toBe(false)
  expect(isTold(two, 'loopOff', new Set(['chain-b']))).toBe(true)
  expect(arrivalsOf({ ...two, loops: [] })).not.toContain('loopOff')
})

test('a camshaft that is out takes its chain off with it, and a broken chain is a finding', () => {
  expect([...withDriven(oneChainSheet(), new Set(['camshaft']))]).toEqual(['camshaft', 'chain'])
  expect(arrivalLines(oneChainSheet(), 'loopBroken', new Set(['chain']), nothing)).toMatchObject([
    { kind: 'finding', saw: 'broken', verdict: 'renewNow' },
    { kind: 'loop', change: 'off' },
  ])
})

test('the run sheet starts where the engine is: what cannot be read says so', () => {
  const sheet = oneChainSheet()
  const hindrances = (arrival: Arrival) => {
    const { job, state } = came(sheet, arrival, offAt(sheet, arrival, new Set()))
    return Object.fromEntries(
      makeRunSheet(sheet).flatMap((step) => {
        const { hindrance } = statusOf({ step, sheet, job, state })
        return hindrance ? [[step.kind, hindrance]] : []
      }),
    )
  }
  expect(hindrances('whole')).toEqual({})
  expect(hindrances('loopOff')).toEqual({ whichTdc: 'chainAlreadyOff', asFound: 'chainAlreadyOff' })
  expect(hindrances('camshaftsOut')).toMatchObject({ asFound: 'camshaftOut', lashFound: 'camshaftOut' })
  // Its camshaft may be in the block: it is read as long as it is driven.
  expect(hindrances('headOff')).toEqual({ lashFound: 'headOff' })
  expect(hindrances('bareBlock')).toMatchObject({ lashFound: 'headOff' })
})

test('one bank’s chain off: only what hangs on it cannot be read', () => {
  const sheet = twoBankSheet()
  const { undriven } = cameIn(sheet, { arrival: 'loopOff', without: ['chain-b'] })
  expect(['cam-a', 'cam-b', 'cam-c'].map(undriven)).toEqual([false, true, true])
})
