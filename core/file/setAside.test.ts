import { expect, test } from 'vitest'
import type { Entry, Job, Records } from '../model'
import { firstJob, oneChainSheet, entriesOf, halfProved } from '../testing/oneChain'
import { fileText, makeFile, mergeRecords, parseFile, setAside } from '.'

const lines = entriesOf(halfProved)
const whole: Records = {
  engines: [{ id: 'engine', name: 'Bench engine', description: '', at: firstJob.at }],
  sheets: [oneChainSheet()],
  jobs: [firstJob],
  entries: lines,
}
const bad: Job = { ...firstJob, id: 'job-2', number: 2 }
const inBad = (change: object): Entry[] =>
  lines.map((line, i) => ({ ...line, id: `bad-${i}`, jobId: 'job-2', ...(i === 2 ? change : {}) }))

test('sound records come back untouched, and nothing stands aside', () => {
  expect(setAside(whole)).toEqual({ records: whole, aside: [] })
})

test.each<[string, Records]>([
  [
    'a job whose build sheet is gone',
    { ...whole, jobs: [firstJob, { ...bad, sheetId: 'nowhere' }], entries: [...lines, ...inBad({})] },
  ],
  [
    'a line that says what no schema takes',
    { ...whole, jobs: [firstJob, bad], entries: [...lines, ...inBad({ firstDeg: 'x' })] },
  ],
  [
    'a line that took up a sheet which is gone',
    { ...whole, jobs: [firstJob, bad], entries: [...lines, ...inBad({ kind: 'sheet', toSheetId: 'nowhere' })] },
  ],
  ['a counter at its end', { ...whole, jobs: [firstJob, bad], entries: [...lines, ...inBad({ counter: 1e9 })] }],
])('%s never makes a file that does not open again', (_what, records) => {
  const parsed = parseFile([...fileText(makeFile(records, firstJob.at))].join(''), [])
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.error))
  expect(parsed.value.entries).toEqual(lines)
  expect(parsed.value.jobs.map(({ id, removed }) => [id, removed !== undefined])).toEqual([
    ['job', false],
    ['job-2', true],
  ])
  expect(parsed.value.aside?.length).toBe(lines.length + 1)
})

test('rows of any shape stand aside', () => {
  const odd = [null, 7, 'x', [], {}, { id: 'a' }, { id: 'engine' }] as never[]
  const { records, aside } = setAside({
    engines: [...whole.engines, ...odd.slice(3)],
    sheets: [...whole.sheets, ...odd.slice(3)],
    jobs: [...whole.jobs, ...odd.slice(3)],
    entries: [...whole.entries, ...odd.slice(3)],
  })
  expect(records).toEqual(whole)
  expect(aside).toHaveLength(16)
})

test('where one job here cannot be read, a file is opened all the same, and brings it back if it has it whole', () => {
  const here: Records = { ...whole, jobs: [firstJob, { ...bad, sheetId: 'nowhere' }], entries: lines }
  const file: Records = { ...whole, jobs: [firstJob, bad], entries: [...lines, ...inBad({ kind: 'note', text: 'x' })] }
  const notes = file.entries.map((line) =>
    line.id === 'bad-2' ? { ...entriesOf([{ kind: 'note', text: 'x' }])[0], id: 'bad-2', jobId: 'job-2' } : line,
  ) as Entry[]
  const merged = mergeRecords(here, { ...file, entries: notes })
  if (!merged.ok) throw new Error(JSON.stringify(merged.error))
  expect(merged.value.add.jobs).toEqual([bad])
  expect(merged.value.add.entries).toHaveLength(lines.length)
})
