import { bench, describe } from 'vitest'
import type { Entry, Records } from '../model'
import { TOPOLOGIES } from '../starters'
import { benchJob, benchSheet, counted, entriesOf, halfProved, madeSafe, turned } from '../testing/bench'
import { driveBench } from '../testing/driveBench'
import { fileText, makeFile, mergeRecords, MOST_FILE_BYTES, parseFile } from '.'

/* A lifetime's work as a file: made, read, and held against itself. The sheets are those of every shape of drive in turn. */

const lines = entriesOf([...madeSafe, ...halfProved, counted(29), turned(90), { kind: 'note', text: 'as it stood' }])

function workshop(engines: number, entries: number): Records {
  const sheets = TOPOLOGIES.map((drive) => driveBench(drive, {}))
  const each = entries / engines
  const of = (i: number) => `engine-of-the-workshop-${i}`
  return {
    engines: Array.from({ length: engines }, (_, i) => ({
      id: of(i),
      name: `Engine ${i}`,
      description: '',
      at: benchJob.at,
    })),
    sheets: Array.from({ length: engines }, (_, i) => ({
      ...(i % 3 === 0 ? benchSheet() : (sheets[i % sheets.length] ?? benchSheet())),
      id: `${of(i)}-sheet`,
      engineId: of(i),
    })),
    jobs: Array.from({ length: engines }, (_, i) => ({
      ...benchJob,
      id: `${of(i)}-job`,
      engineId: of(i),
      sheetId: `${of(i)}-sheet`,
    })),
    entries: Array.from({ length: entries }, (_, k): Entry => {
      const i = Math.floor(k / each)
      const line = lines[k % lines.length] as Entry
      return {
        ...line,
        id: `line-of-the-ledger-${k}`,
        jobId: `${of(i)}-job`,
        sheetId: `${of(i)}-sheet`,
        counter: (k % each) + 1,
        seen: {},
      }
    }),
  }
}

const at = benchJob.at
const small = workshop(10, 1000)
const large = workshop(1000, 100_000)
const text = (records: Records) => [...fileText(makeFile(records, at))].join('')
const [smallText, largeText] = [text(small), text(large)]
const megabytes = (bytes: number) => (bytes / 1e6).toFixed(1)
console.log(
  `1,000 engines with 100,000 entries: ${megabytes(largeText.length)} MB of at most ${megabytes(MOST_FILE_BYTES)} MB; 10 with 1,000: ${megabytes(smallText.length)} MB`,
)
const once = { iterations: 2, warmupIterations: 0, time: 0, warmupTime: 0 }

describe('a file of 10 engines, 1,000 entries', () => {
  bench('made', () => void text(small))
  bench('read', () => void parseFile(smallText, []))
})
describe('a file of 1,000 engines, 100,000 entries', () => {
  bench('made', () => void text(large), once)
  bench('read', () => void parseFile(largeText, []), once)
  bench('held against what is here', () => void mergeRecords(large, large), once)
})
