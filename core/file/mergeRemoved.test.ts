import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { saysOfStand } from '../ledger'
import { isRemoved, type Job, type Records } from '../model'
import { firstJob, oneChainSheet, entriesOf, halfProved } from '../testing/oneChain'
import { mergeRecords, stable, type MergeOutcome } from '.'

const at = firstJob.at
const later = (hours: number) => new Date(Date.parse(at) + hours * 3_600_000).toISOString()
const worked = (): Records => ({
  engines: [{ id: 'engine', name: 'Bench engine', description: '', at }],
  sheets: [oneChainSheet()],
  jobs: [firstJob],
  entries: entriesOf(halfProved),
})
const mostCounter = Math.max(...worked().entries.map(({ counter }) => counter))

const jobDeleted = (from: Records, when: string, more: Partial<NonNullable<Job['removed']>> = {}): Records => ({
  ...from,
  jobs: from.jobs.map((job) => ({ ...job, removed: { at: when, counter: mostCounter, ...more } })),
  entries: [],
})
const engineDeleted = (from: Records, when: string): Records => ({
  engines: from.engines.map((engine) => ({ ...engine, removed: { at: when } })),
  sheets: [],
  jobs: [],
  entries: [],
})

function merge(mine: Records, theirs: Records, keep?: Parameters<typeof mergeRecords>[2]): MergeOutcome {
  const merged = mergeRecords(mine, theirs, keep)
  if (!merged.ok) throw new Error(JSON.stringify(merged.error))
  return merged.value
}
function opened(mine: Records, theirs: Records, keep?: Parameters<typeof mergeRecords>[2]): Records {
  const outcome = merge(mine, theirs, keep)
  const list = <K extends keyof Records>(name: K): Records[K] => {
    const rows = new Map<string, unknown>(mine[name].map((one) => [one.id, one]))
    for (const one of [...outcome.change[name], ...outcome.add[name]]) rows.set(one.id, one)
    for (const id of outcome.drop[name]) rows.delete(id)
    return [...rows.values()] as Records[K]
  }
  return { engines: list('engines'), sheets: list('sheets'), jobs: list('jobs'), entries: list('entries') }
}
const sorted = (records: Records) =>
  stable(
    Object.fromEntries(
      Object.entries(records).map(([name, rows]) => [name, [...rows].sort((a, b) => (a.id < b.id ? -1 : 1))]),
    ),
  )

describe('what was deleted', () => {
  test('a job stays deleted when a file still has it, and goes when the file deleted it', () => {
    const gone = jobDeleted(worked(), later(1))
    for (const [mine, theirs, by] of [
      [gone, worked(), 'here'],
      [worked(), gone, 'file'],
    ] as const) {
      const now = opened(mine, theirs)
      expect(now.entries).toEqual([])
      expect(now.jobs.every(isRemoved)).toBe(true)
      expect(merge(mine, theirs).deleted).toEqual([{ list: 'jobs', id: 'job', name: 'Bench engine, job 1', by }])
    }
  })

  test('an engine takes everything with it but that it was there', () => {
    const gone = engineDeleted(worked(), later(1))
    expect(sorted(opened(gone, worked()))).toBe(sorted(gone))
    expect(sorted(opened(worked(), gone))).toBe(sorted(gone))
  })

  test('kept all the same it is whole again, and from then on everywhere', () => {
    const keep = { ids: ['engine', 'job'], at: later(2) }
    for (const gone of [jobDeleted(worked(), later(1)), engineDeleted(worked(), later(1))]) {
      const back = opened(gone, worked(), keep)
      expect(back.entries).toHaveLength(halfProved.length)
      expect([...back.jobs, ...back.engines].some(isRemoved)).toBe(false)
      // A copy that had it deleted takes it back as well.
      expect(opened(gone, back).entries).toHaveLength(halfProved.length)
    }
  })

  test('deleted once more it is gone again, though it was brought back before', () => {
    const back = { ...worked(), jobs: [{ ...firstJob, removed: { at: later(1), counter: 3, restoredAt: later(2) } }] }
    expect(back.jobs.some(isRemoved)).toBe(false)
    const again = jobDeleted(worked(), later(3))
    expect(opened(back, again).entries).toEqual([])
    expect(opened(again, back).entries).toEqual([])
  })

  test('that a job said nothing of the engine’s stand does not hold against lines that did', () => {
    expect(worked().entries.some(saysOfStand)).toBe(true)
    const forged = jobDeleted(worked(), later(1), { saidNothing: true, counter: 0 })
    const [job] = opened(worked(), forged).jobs
    expect(job?.removed).toEqual({ at: later(1), counter: mostCounter })
    // Nor against a strike: what it took back would hold again.
    const [note, strike] = entriesOf([
      { kind: 'note', text: 'oil on the belt' },
      { kind: 'strike', targetId: 'elsewhere', reason: 'miscounted' },
    ])
    expect([note, strike].flatMap((line) => line ?? []).map(saysOfStand)).toEqual([false, true])
    const quiet = { ...worked(), entries: [] }
    expect(opened(quiet, forged).jobs[0]?.removed?.saidNothing).toBe(true)
  })

  test('two copies that deleted, brought back and went on as they liked agree, whichever opens the other’s file', () => {
    const time = fc.integer({ min: 0, max: 5 }).map(later)
    const removed = fc.option(
      fc.record(
        { at: time, counter: fc.integer({ min: 0, max: 9 }), restoredAt: time, saidNothing: fc.constant(true) },
        { requiredKeys: ['at', 'counter'] },
      ),
      { nil: undefined },
    )
    const copy = fc.tuple(removed, fc.integer({ min: 0, max: halfProved.length })).map(([gone, n]): Records => {
      const job: Job = gone ? { ...firstJob, removed: gone } : firstJob
      return { ...worked(), jobs: [job], entries: isRemoved(job) ? [] : worked().entries.slice(0, n) }
    })
    fc.assert(
      fc.property(copy, copy, (a, b) => {
        const [ab, ba] = [opened(a, b), opened(b, a)]
        expect(sorted(ab)).toBe(sorted(ba))
        // Once they agree, opening either again changes nothing.
        expect(sorted(opened(ab, b))).toBe(sorted(ab))
        if (ab.jobs.some(isRemoved)) expect(ab.entries).toEqual([])
      }),
    )
  })
})
