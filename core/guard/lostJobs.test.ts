import { describe, expect, test } from 'vitest'
import { foldJob, overlappingWork } from '../ledger'
import type { BuildSheet, Entry, NewEntry, Job } from '../model'
import { firstJob, oneChainSheet, counted, entriesOf, halfProved, madeSafe, turned } from '../testing/oneChain'
import { PART_IDS as ids } from '../starters'
import { judgeGuard } from '.'

const sheet = oneChainSheet()
const second: Job = { ...firstJob, id: 'job-2', number: 2, at: '2026-01-06T08:00:00.000Z' }
const chain = (change: 'off' | 'on'): NewEntry => ({ kind: 'loop', loopId: ids.chain, change })
let counter = 0
/** Lines as one device writes them on one engine, knowing of everything. */
const lines = (job: Job, newEntries: readonly NewEntry[]): Entry[] =>
  entriesOf(newEntries, 'd-1').map((entry) => ({ ...entry, jobId: job.id, counter: ++counter, seen: {} }))

function judge(job: Job, jobs: readonly Job[], entries: readonly Entry[], sheets: readonly BuildSheet[] = [sheet]) {
  const state = foldJob({ job, jobs, sheets, entries })
  return { state, guard: judgeGuard(sheet, state), codes: judgeGuard(sheet, state).reasons.map(({ code }) => code) }
}
const removed = (at: number): Job => ({ ...firstJob, removed: { at: firstJob.at, counter: at } })
const seen = (part: object): NewEntry => ({ kind: 'settled', part, role: '' }) as NewEntry
const isOn: NewEntry[] = [
  seen({ about: 'loop', id: ids.chain, is: 'on' }),
  seen({ about: 'tensioner', id: ids.tensioner, is: 'released' }),
  seen({ about: 'job', id: 'job', is: 'nothingInside' }),
]

describe('a job that was taken out', () => {
  test('leaves everything that it may have done not known, though nothing else was ever written', () => {
    const { guard, codes } = judge(second, [removed(9), second], lines(second, madeSafe))
    expect(guard.verdict).toBe('unknown')
    expect(codes).toEqual(expect.arrayContaining(['jobLost', 'loopJobLost', 'tensionerNotSaid']))
  })
  test('what somebody saw settles part by part, and what is on has still to be proved', () => {
    const some = judge(second, [removed(0), second], lines(second, [...madeSafe, ...isOn.slice(0, 2)]))
    expect(some.codes).toEqual(expect.arrayContaining(['jobLost']))
    expect(some.guard.verdict).toBe('unknown')
    const all = judge(second, [removed(0), second], lines(second, [...madeSafe, ...isOn]))
    expect(all.codes).not.toContain('jobLost')
    expect(all.codes).toContain('loopNotCounted')
    expect(all.guard.verdict).not.toBe('turn')
  })
  test('“as it ran” is nobody’s word after it', () => {
    const asItRan = seen({ about: 'loop', id: ids.chain, is: 'asItRan' })
    const { codes } = judge(second, [removed(0), second], lines(second, [...madeSafe, asItRan, ...isOn.slice(1)]))
    expect(codes).toContain('loopJobLost')
  })
  test('what was looked at before its last line is not known either', () => {
    const before = lines(second, [...madeSafe, ...isOn])
    const { codes } = judge(second, [removed(counter), second], before)
    expect(codes).toEqual(expect.arrayContaining(['jobLost', 'loopJobLost']))
  })
  test('where the crank stands is forgotten with it', () => {
    const first = lines(second, [...madeSafe, ...halfProved, turned(90)])
    expect(judge(second, [second], first).state.crank.deg).toBeDefined()
    expect(judge(second, [removed(counter), second], first).state.crank.deg).toBeUndefined()
  })
})

test('a deleted job that said nothing of the stand leaves it as it was, and one that was brought back speaks again', () => {
  const quiet: Job = { ...firstJob, removed: { at: firstJob.at, counter: 0, saidNothing: true } }
  const own = lines(second, madeSafe)
  expect(judge(second, [quiet, second], own).codes).not.toContain('jobLost')
  const back: Job = { ...firstJob, removed: { at: firstJob.at, counter: 9, restoredAt: second.at } }
  expect(judge(second, [back, second], own).codes).not.toContain('jobLost')
})

test('a job without a build sheet counts as lost for the others', () => {
  const lost: Job = { ...firstJob, sheetId: 'nowhere' }
  const entries = [...lines(lost, [chain('off')]), ...lines(second, madeSafe)]
  const { guard, codes } = judge(second, [lost, second], entries)
  expect(codes).toContain('jobLost')
  expect(guard.verdict).toBe('unknown')
  expect(() => judge(lost, [lost, second], entries)).toThrow()
})

describe('two build sheets of one number', () => {
  const other = (change: Partial<BuildSheet>): BuildSheet => ({ ...sheet, id: 'sheet-b', ...change })
  const entries = lines(firstJob, madeSafe)
  test('that differ in how the engine is built hold the guard until one is chosen', () => {
    const two = judge(firstJob, [firstJob], entries, [sheet, other({ cycleDeg: 360 })])
    expect(two.codes).toContain('sheetsDisagree')
    expect(two.guard.verdict).toBe('unknown')
    const chosen = judge(firstJob, [firstJob], entries, [
      sheet,
      other({ cycleDeg: 360 }),
      other({ id: 'c', version: 2 }),
    ])
    expect(chosen.codes).not.toContain('sheetsDisagree')
  })
  test('that differ in notes alone, or are of another engine, do not', () => {
    for (const one of [
      other({ notes: 'x', at: '2026-03-03T08:00:00.000Z' }),
      other({ engineId: 'other', cycleDeg: 360 }),
    ])
      expect(judge(firstJob, [firstJob], entries, [sheet, one]).codes).not.toContain('sheetsDisagree')
  })
})

test('two lines of one device under one counter are work beside each other, and so is what follows', () => {
  counter = 0
  const common = lines(firstJob, [...madeSafe, chain('off')])
  const at = counter
  const here = lines(firstJob, [chain('on'), counted(29)])
  counter = at
  const there = lines(firstJob, [{ kind: 'note', text: 'beside' }])
  const all = [...common, ...here, ...there]
  expect([...overlappingWork([firstJob], all)].sort()).toEqual([...here, ...there].map(({ id }) => id).sort())
  expect(overlappingWork([firstJob], [...common, ...here]).size).toBe(0)
})
