import { checksum } from '@link-count/core/file'
import { TABLES, type Batch, type Rows, type TableName } from '../../domain/env'

/* The second copy is lines of text, one a batch: its JSON, its checksum, its number, and how many records the workshop had with it, with tabs between.
 * A line that was cut off, or whose checksum is wrong, was never acknowledged and is left out. */

export interface CopyLine {
  readonly revision: number
  /** How many records the workshop had with this batch. */
  readonly records: number
  readonly batch: Batch
  /** The batch that it is a part of, too large for one line: it counts once the line with that number is there. Its own number is the one before. */
  readonly partOf?: number | undefined
}

export interface CopySummary {
  readonly revision: number
  readonly records: number
}

/** The last line of a folded copy: without it the fold was cut off and counts for nothing. */
const END = '"end"'

export function lineOf({ revision, records, batch, partOf }: CopyLine): string {
  const { put: { pictures: _beside, summaries: _made, ...put } = {}, drop } = batch
  const part = partOf === undefined ? {} : { partOf }
  return writeLine(JSON.stringify({ put, ...(drop ? { drop } : {}), ...part }), { revision, records })
}

export const endLine = (summary: CopySummary) => writeLine(END, summary)

const writeLine = (json: string, { revision, records }: CopySummary) =>
  `${json}\t${checksum(json)}\t${revision}\t${records}\n`

/** Where a log stands, by its last whole line. Its end is enough, as the numbers are written last; where the last line was cut off after much of
 *  it was written, more of the end is looked at. `endOf` gives at least so many bytes of the end. */
export async function whereLogStands(
  bytes: number,
  endOf: (bytes: number) => Promise<string>,
): Promise<CopySummary | undefined> {
  for (let most = TAIL_BYTES; ; most *= 16) {
    const found = summaryOf(await endOf(most))
    if (found || most >= bytes) return found
  }
}

export const TAIL_BYTES = 200

function summaryOf(tail: string): CopySummary | undefined {
  const last = tail.slice(0, tail.lastIndexOf('\n')).split('\n').at(-1) ?? ''
  const found = /\t[0-9a-f]{8}\t(\d+)\t(\d+)$/.exec(last)
  return found ? { revision: Number(found[1]), records: Number(found[2]) } : undefined
}

export const isEnded = (tail: string) => tail.endsWith('\n') && /(^|\n)"end"\t[^\n]*\n$/.test(tail)

/** The whole lines of a log, in order. */
export function readLog(text: string): CopyLine[] {
  return text.split('\n').flatMap((line): CopyLine[] => {
    const [json = '', sum, revision, records] = line.split('\t')
    if (records === undefined || json === END || checksum(json) !== sum) return []
    const { partOf, ...batch } = JSON.parse(json) as Batch & { readonly partOf?: number }
    return [
      { revision: Number(revision), records: Number(records), batch, ...(partOf === undefined ? {} : { partOf }) },
    ]
  })
}

/** Everything that a folded copy and the lines after it say, each table by id. */
export function foldLines(
  lines: readonly CopyLine[],
  start: Rows = {},
): { readonly rows: Rows; readonly revision: number } {
  const tables = new Map(
    TABLES.map((name) => [name, new Map((start[name] ?? []).map((row) => [row.id, row as unknown]))]),
  )
  const table = (name: TableName) => tables.get(name) as Map<string, unknown>
  let revision = 0
  const ended = new Set(lines.flatMap((line) => (line.partOf === undefined ? [line.revision] : [])))
  const whole = lines.filter(({ partOf }) => partOf === undefined || ended.has(partOf))
  const place = (line: CopyLine) => line.partOf ?? line.revision
  const isEnd = ({ partOf }: CopyLine) => Number(partOf === undefined)
  for (const line of whole.sort((a, b) => place(a) - place(b) || isEnd(a) - isEnd(b))) {
    const { batch } = line
    for (const name of TABLES) {
      for (const row of batch.put?.[name] ?? []) table(name).set(row.id, row)
      for (const id of batch.drop?.[name] ?? []) table(name).delete(id)
    }
    revision = place(line)
  }
  return { rows: Object.fromEntries(TABLES.map((name) => [name, [...table(name).values()]])) as Rows, revision }
}

/** A whole workshop as lines, some thousand rows in each. */
export function* linesOfAll(rows: Rows, summary: CopySummary): Generator<string> {
  for (const name of TABLES) {
    if (name === 'pictures' || name === 'summaries') continue
    const all = rows[name] ?? []
    for (let i = 0; i < all.length; i += 1000)
      yield lineOf({ ...summary, batch: { put: { [name]: all.slice(i, i + 1000) } } })
  }
  yield endLine(summary)
}

/** A batch too large for one line, as lines of some thousand rows; the last one makes it count. */
export function* linesOfBatch({ revision, records, batch: { put = {}, ...rest } }: CopyLine): Generator<string> {
  const { meta, ...tables } = put
  for (const [name, all] of Object.entries(tables))
    for (let i = 0; i < all.length; i += 1000)
      yield lineOf({
        revision: revision - 1,
        records,
        batch: { put: { [name]: all.slice(i, i + 1000) } },
        partOf: revision,
      })
  yield lineOf({ revision, records, batch: { ...rest, put: meta ? { meta } : {} } })
}
