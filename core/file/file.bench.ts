import { bench, describe } from 'vitest'
import type { Records } from '../model'
import { firstJob } from '../testing/oneChain'
import { lifetime } from '../testing/lifetime'
import { fileText, makeFile, mergeRecords, MOST_FILE_BYTES, parseFile } from '.'

/* A lifetime's work as a file: made, read, and held against itself. */

const at = firstJob.at
const small = lifetime(10, 1000)
const large = lifetime(1000, 100_000)
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
