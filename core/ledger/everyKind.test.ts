import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { judgeGuard } from '../guard'
import type { NewEntry } from '../model'
import { makeRunSheet, statusOf } from '../runSheet'
import { firstJob, oneChainSheet, entriesOf } from '../testing/oneChain'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { everyKind } from '../testing/everyKind'
import { foldJob } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
const bench = oneChainSheet()
const full = {
  ...bench,
  cams: bench.cams.map((cam) => ({
    ...cam,
    opensDeg: known(17),
    closesDeg: known(57),
    checkingLiftMm: known(0.5),
    topLiftMm: known(9),
    lashMm: known(0.2),
  })),
}
/** Another engine altogether: nothing that these lines point at is on it. */
const stranger = { ...sheetWithDrive('splinedBanks', { 'crank-sprocket': 20, 'half-sprocket': 40 }), id: 'sheet' }

/** Numbers that are none, and what JSON would make of them. */
const noNumber = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isNaN(value)
    : typeof value === 'object' && value !== null && Object.values(value).some(noNumber)

describe.each([
  ['its own engine', full],
  ['an engine without figures', bench],
  ['another engine', stranger],
])('any lines in any order on %s', (_name, sheet) => {
  test('fold into a state without a number that is none, a guard and a place for every step', () => {
    const pointed = (newEntry: NewEntry): NewEntry =>
      JSON.parse(JSON.stringify(newEntry).replace(/"(\w+Id)":"[^"]*"/g, '"$1":"nowhere"')) as NewEntry
    const any = fc.constantFrom(...everyKind, ...everyKind.filter(({ kind }) => kind !== 'sheet').map(pointed))
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), (newEntries) => {
        const state = foldJob({ job: firstJob, sheets: [sheet], entries: entriesOf(newEntries) })
        const { verdict, reasons } = judgeGuard(sheet, state)
        expect(['turn', 'trim', 'doNotTurn', 'unknown']).toContain(verdict)
        expect(verdict === 'turn' ? reasons.every((one) => one.verdict === 'turn') : reasons.length).toBeTruthy()
        for (const step of makeRunSheet(sheet))
          expect(['none', 'part', 'read', 'proved']).toContain(statusOf({ step, sheet, job: firstJob, state }).evidence)
        expect(noNumber([state.timing, state.crank, state.zero, state.loops, state.couplings, state.seats])).toBe(false)
      }),
      { numRuns: 150 },
    )
  })
})
