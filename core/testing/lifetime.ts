import type { Entry, Records } from '../model'
import { TOPOLOGIES } from '../starters'
import { firstJob, oneChainSheet, counted, entriesOf, halfProved, madeSafe, turned } from './oneChain'
import { sheetWithDrive } from './sheetWithDrive'

const lines = entriesOf([...madeSafe, ...halfProved, counted(29), turned(90), { kind: 'note', text: 'as it stood' }])

/** A workshop of so many engines and lines, its sheets those of every shape of drive in turn. */
export function lifetime(engines: number, entries: number): Records {
  const sheets = TOPOLOGIES.map((drive) => sheetWithDrive(drive, {}))
  const each = entries / engines
  const of = (i: number) => `engine-of-the-workshop-${i}`
  return {
    engines: Array.from({ length: engines }, (_, i) => ({
      id: of(i),
      name: `Engine ${i}`,
      description: '',
      at: firstJob.at,
    })),
    sheets: Array.from({ length: engines }, (_, i) => ({
      ...(i % 3 === 0 ? oneChainSheet() : (sheets[i % sheets.length] ?? oneChainSheet())),
      id: `${of(i)}-sheet`,
      engineId: of(i),
    })),
    jobs: Array.from({ length: engines }, (_, i) => ({
      ...firstJob,
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
