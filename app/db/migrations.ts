import type { NamedMigration } from '@link-count/core/file'
import { draftIndexes } from '../domain/drafts'
import { engineIndexes } from '../domain/engines'
import { entryIndexes } from '../domain/entries'
import { jobIndexes } from '../domain/jobs'
import { metaIndexes } from '../domain/meta'
import { pictureIndexes } from '../domain/pictures'
import { sheetIndexes } from '../domain/sheets'
import { summaryIndexes } from '../domain/summaries'

type Row = Record<string, unknown>
type RecordTableName = 'engines' | 'sheets' | 'jobs' | 'entries'

export interface StoreVersion {
  readonly version: number
  readonly name: string
  readonly stores: Readonly<Record<string, string>>
  /** The version of a file of this shape, where it is another: what only a database holds changes no file. */
  readonly file?: number
  /** How rows of the version before become rows of this one, by table; the same for a database and for a file. */
  readonly up: Partial<Record<RecordTableName, (row: Row) => Row>>
}

const stores = {
  engines: engineIndexes,
  sheets: sheetIndexes,
  jobs: jobIndexes,
  entries: entryIndexes,
  drafts: draftIndexes,
  pictures: pictureIndexes,
  meta: metaIndexes,
}

/** One list serves the database and old exported files. Versions run without gaps; a change of stored shape adds one here and a
 *  fixture of the version before it. */
export const storeVersions: readonly StoreVersion[] = [
  { version: 1, name: '001-first', stores, up: {} },
  { version: 2, name: '002-true-zero', stores, up: { sheets: sheetTo2, entries: entryTo2 } },
  { version: 3, name: '003-couplings', stores, up: { sheets: sheetTo3 } },
  // New kinds and fields only: entries of before have no `seen`, and are ordered and told apart by their jobs.
  { version: 4, name: '004-one-stand', stores, up: {} },
  // A job may have been taken out, and a file has checksums.
  { version: 5, name: '005-nothing-lost', stores, up: {} },
  // The list of engines lives on summaries: made, and never in a file.
  { version: 6, name: '006-summaries', stores: { ...stores, summaries: summaryIndexes }, up: {}, file: 5 },
  // A count says from and to which tooth it was taken. One of before was taken to the mark.
  { version: 7, name: '007-true-numbers', stores: { ...stores, summaries: summaryIndexes }, up: {}, file: 6 },
  // Teeth counted between gears, guides that are arcs: nothing of before changes.
  { version: 8, name: '008-gears-and-guides', stores: { ...stores, summaries: summaryIndexes }, up: {}, file: 7 },
  // Marks may say how exact they are, the crank and the camshafts may be seen by them: nothing of before changes.
  { version: 9, name: '009-by-marks', stores: { ...stores, summaries: summaryIndexes }, up: {}, file: 8 },
  // A figure may name its book and page: nothing of before changes.
  { version: 10, name: '010-sources', stores: { ...stores, summaries: summaryIndexes }, up: {}, file: 9 },
  // A job says how the engine came in, what it is done by, and how its run sheet was changed.
  {
    version: 11,
    name: '011-the-job-it-came-for',
    stores: { ...stores, summaries: summaryIndexes },
    up: { jobs: jobTo10 },
    file: 10,
  },
  // What follows the cams stands on the sheet and is read; a cam mark may be told nearer than by eye: nothing of before changes.
  { version: 12, name: '012-fuel-and-spark', stores: { ...stores, summaries: summaryIndexes }, up: {}, file: 11 },
  // How a reading was come to is asked; a crown may be a dome: nothing of before changes.
  {
    version: 13,
    name: '013-taken-off-and-bolted-up',
    stores: { ...stores, summaries: summaryIndexes },
    up: {},
    file: 12,
  },
]

/** How it came in is told in full; what came with every chain off did so before its parts were asked for. */
function jobTo10(job: Row): Row {
  return { ...job, arrival: job['arrival'] === 'chainOff' ? 'everyLoopOff' : 'whole' }
}

/** Bank axes say how far they are trusted; layout and marks of the rim are on the sheet. */
function sheetTo2(sheet: Row): Row {
  const banks = (Array.isArray(sheet['banks']) ? sheet['banks'] : []).map((bank: unknown) =>
    isRow(bank)
      ? { ...bank, axisDeg: { value: bank['axisDeg'], typed: String(bank['axisDeg']), trust: 'unknown' } }
      : bank,
  )
  return { ...sheet, banks, layout: 'inLine', rimMarks: [] }
}

/** A degree wheel has a numbering; a factory mark says what it claims. */
function entryTo2(entry: Row): Row {
  if (entry['kind'] === 'degreeWheel') {
    const { readToDeg, rises, ...rest } = entry
    return { ...rest, scale: { kind: 'full', rises, readToDeg } }
  }
  return entry['kind'] === 'factoryMark' ? { ...entry, claimDeg: 0 } : entry
}

/** The places of a coupling say how far they are trusted. */
function sheetTo3(sheet: Row): Row {
  const couplings = (Array.isArray(sheet['couplings']) ? sheet['couplings'] : []).map((coupling: unknown) => {
    if (!isRow(coupling)) return coupling
    const { positions, ...rest } = coupling
    return positions === undefined
      ? rest
      : { ...rest, positions: { value: positions, typed: String(positions), trust: 'unknown' } }
  })
  return { ...sheet, couplings }
}

const fileOf = (one: StoreVersion | undefined) => one?.file ?? one?.version ?? 0

/** From file version n to n + 1. */
export const fileMigrations: readonly NamedMigration[] = storeVersions
  .map((one, i) => ({ ...one, from: fileOf(storeVersions[i - 1]), to: fileOf(one) }))
  .filter(({ from, to }) => from > 0 && to > from)
  .map(({ from, name, up }) => ({
    name,
    from,
    up: (file) => ({
      ...file,
      ...Object.fromEntries(
        Object.entries(up).map(([table, raise]) => {
          const rows = file[table]
          return [table, Array.isArray(rows) ? rows.map((row: unknown) => (isRow(row) ? raise(row) : row)) : rows]
        }),
      ),
    }),
  }))

const isRow = (row: unknown): row is Row => typeof row === 'object' && row !== null && !Array.isArray(row)
