import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Entry, Job, Records } from '../model'
import { firstJob, oneChainSheet, entriesOf, halfProved } from '../testing/oneChain'
import { mergeFields, withField } from './mergeFields'
import { mergeRecords, stable, takeOther, type MergeOutcome } from '.'

const at = firstJob.at
const base = (): Records => ({
  engines: [{ id: 'engine', name: 'Bench engine', description: '', at }],
  sheets: [oneChainSheet()],
  jobs: [],
  entries: [],
})
const lines = entriesOf(halfProved)
const worked = (): Records => ({ ...base(), jobs: [firstJob], entries: lines })

const merge = (mine: Records, theirs: Records): MergeOutcome => {
  const merged = mergeRecords(mine, theirs)
  if (!merged.ok) throw new Error(JSON.stringify(merged.error))
  return merged.value
}
/** What is here after a file was opened. */
function after(mine: Records, outcome: MergeOutcome): Records {
  const list = <K extends keyof Records>(name: K): Records[K] => {
    const rows = new Map<string, unknown>(mine[name].map((one) => [one.id, one]))
    for (const one of [...outcome.change[name], ...outcome.add[name]]) rows.set(one.id, one)
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
const opened = (mine: Records, theirs: Records) => after(mine, merge(mine, theirs))
const nothing = ({ add, change }: MergeOutcome) =>
  [add, change].every((one) => Object.values(one).every((rows) => rows.length === 0))

test('the same file twice changes nothing', () => {
  expect(nothing(merge(worked(), worked()))).toBe(true)
})

test('new lines are added, of one that is here under other words ours stays', () => {
  const mine = worked()
  const [first, ...rest] = mine.entries
  const theirs = {
    ...mine,
    entries: [{ ...first, at: '2026-02-02T08:00:00.000Z' } as Entry, ...rest, ...entriesOf(halfProved, 'd-2', 20)],
  }
  const outcome = merge(mine, theirs)
  expect(outcome.add.entries).toHaveLength(halfProved.length)
  expect(outcome.kept).toEqual([first?.id])
  expect(outcome.change.entries).toHaveLength(0)
})

test('an engine is merged by field; where both changed one, the same is taken on both sides and the other offered', () => {
  const mine = { ...base(), engines: [{ id: 'engine', name: 'A', description: 'with a sidecar', at }] }
  const theirs = { ...base(), engines: [{ id: 'engine', name: 'B', description: '', at }] }
  const [here, there] = [merge(mine, theirs), merge(theirs, mine)]
  expect(after(mine, here).engines).toEqual([{ id: 'engine', name: 'B', description: 'with a sidecar', at }])
  expect(after(theirs, there).engines).toEqual(after(mine, here).engines)
  const name = here.offers.find(({ path }) => path[0] === 'name')
  expect(name).toMatchObject({ taken: 'B', other: 'A' })
  if (!name) throw new Error('nothing offered')
  expect(after(mine, takeOther(here, name)).engines[0]?.name).toBe('A')
})

describe('build sheets that went on apart', () => {
  const with2 = (records: Records, change: Partial<BuildSheet>, job?: Job): Records => ({
    ...records,
    sheets: [{ ...oneChainSheet(), ...change }],
    jobs: job ? [job] : [],
    entries: job ? entriesOf(halfProved, `d-${job.id}`).map((entry) => ({ ...entry, jobId: job.id })) : [],
  })
  const mine = with2(base(), { notes: 'mine', fuel: 'diesel' })
  const theirs = with2(base(), { notes: '', starting: 'air' })

  test('cited by nobody, they become one by field', () => {
    // Of two values the one that sorts later: "battery" after "air", "petrol" after "diesel".
    expect(opened(mine, theirs).sheets).toMatchObject([{ notes: 'mine', starting: 'battery', fuel: 'petrol' }])
    expect(sorted(opened(mine, theirs))).toBe(sorted(opened(theirs, mine)))
  })
  const jobOf = (id: string): Job => ({ ...firstJob, id })
  test('cited on one side, that one keeps its id and the other stays beside it', () => {
    const cited = with2(base(), { notes: 'cited' }, jobOf('job-a'))
    const result = opened(mine, cited)
    expect(result.sheets.find(({ id }) => id === 'sheet')?.notes).toBe('cited')
    expect(result.sheets.map(({ notes, version }) => [notes, version]).sort()).toEqual([
      ['cited', 1],
      ['mine', 1],
    ])
    expect(sorted(result)).toBe(sorted(opened(cited, mine)))
    expect(merge(mine, cited).rivals).toEqual([{ engineId: 'engine', version: 1 }])
  })
  test('cited on both sides, each side’s work goes on citing its own', () => {
    const a = with2(base(), { notes: 'a' }, jobOf('job-a'))
    const b = with2(base(), { notes: 'b' }, jobOf('job-b'))
    const both = opened(a, b)
    expect(sorted(both)).toBe(sorted(opened(b, a)))
    const notesOf = (jobId: string) => {
      const sheetId = both.entries.find((entry) => entry.jobId === jobId)?.sheetId
      return both.sheets.find(({ id }) => id === sheetId)?.notes
    }
    expect([notesOf('job-a'), notesOf('job-b')]).toEqual(['a', 'b'])
    // Opened again, from either side, there is nothing more in it.
    expect(nothing(merge(both, a))).toBe(true)
    expect(nothing(merge(both, b))).toBe(true)
    expect(nothing(merge(both, opened(b, a)))).toBe(true)
  })
})

describe('what is ours and stands elsewhere in the file', () => {
  const other = { id: 'other', name: 'Other', description: '', at }
  test.each<[string, Records]>([
    ['a sheet', { ...base(), engines: [other], sheets: [{ ...oneChainSheet(), engineId: 'other' }] }],
    [
      'a job',
      {
        ...worked(),
        engines: [...base().engines, other],
        jobs: [{ ...firstJob, engineId: 'other', sheetId: 's2' }],
        sheets: [...base().sheets, { ...oneChainSheet(), id: 's2', engineId: 'other' }],
        entries: [],
      },
    ],
    [
      'a line',
      {
        ...worked(),
        jobs: [{ ...firstJob, id: 'job-2' }],
        entries: worked().entries.map((entry) => ({ ...entry, jobId: 'job-2' })),
      },
    ],
  ])('%s is refused', (_what, theirs) => {
    expect(mergeRecords(worked(), theirs)).toMatchObject({ ok: false, error: { code: 'belongsElsewhere' } })
  })
  test('a counter that leaves no room with what is here is refused', () => {
    const far = entriesOf(halfProved, 'd-9', 200_000_000)
    expect(mergeRecords(worked(), { ...worked(), entries: far })).toMatchObject({
      ok: false,
      error: { code: 'noRoom' },
    })
  })
})

test('a job that was taken out here does not come back with a file, nor there with ours', () => {
  const removed = { ...worked(), jobs: [{ ...firstJob, removed: { at, counter: 9 } }], entries: [] }
  const result = opened(removed, worked())
  expect(result.entries).toEqual([])
  expect(result.jobs[0]?.removed?.counter).toBe(9)
  expect(merge(worked(), removed).change.jobs[0]?.removed).toBeDefined()
})

/* The slow truth beside the merge of fields: every leaf of either copy is in the result, and the result is made of nothing else. */
type Leaf = [string, unknown]
function leaves(value: unknown, path = ''): Leaf[] {
  if (Array.isArray(value) || typeof value !== 'object' || value === null) return [[path, value]]
  return Object.entries(value).flatMap(([key, inner]) => leaves(inner, `${path}/${key}`))
}
const record = fc.dictionary(
  fc.constantFrom('a', 'b', 'c'),
  fc.oneof(fc.integer(), fc.string(), fc.dictionary(fc.constantFrom('x', 'y'), fc.integer(), { minKeys: 1 })),
)

test('two copies give the same whichever comes first, and every difference is told with both its sides', () => {
  fc.assert(
    fc.property(record, record, (one, two) => {
      const [a, b] = [mergeFields(one, two), mergeFields(two, one)]
      expect(stable(a.merged)).toBe(stable(b.merged))
      const both = [...leaves(one), ...leaves(two)].map(([path, value]) => `${path} ${stable(value)}`)
      for (const [path, value] of leaves(a.merged)) if (path !== '') expect(both).toContain(`${path} ${stable(value)}`)
      for (const { path, taken, other } of a.differences) {
        expect(stable(withField(a.merged, path, taken))).toBe(stable(a.merged))
        expect(stable(taken) > stable(other)).toBe(true)
      }
      expect(mergeFields(one, one).differences).toEqual([])
    }),
  )
})
