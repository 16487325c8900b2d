import { FILE_FORMAT, FILE_VERSION, type LinkCountFile, type Records } from '../model'
import { checksum } from './checksum'
import { LISTS } from './lists'
import { setAside } from './setAside'
import { stable } from './stable'

type Envelope = Pick<LinkCountFile, 'format' | 'version' | 'savedAt'>

/** The checksum of one record: of its canonical JSON, keys in order, nothing between. */
export const checksumOf = (record: unknown) => checksum(stable(record))

/** The checksum of what stands round the records: what kind of file it is, and how many of each there are. */
export const checksumOfEnvelope = ({ format, version, savedAt }: Envelope, counts: readonly number[]) =>
  checksumOf({ format, version, savedAt, counts })

/** Everything, or one engine with its sheets, jobs and entries, as a file that opens again: what no reader would take stands aside. */
export function makeFile(all: Records, savedAt: string, engineId?: string): LinkCountFile {
  const { records, aside } = setAside(all)
  const keep = <T>(list: readonly T[], test: (one: T) => boolean) => (engineId ? list.filter(test) : [...list])
  const jobs = keep(records.jobs, (job) => job.engineId === engineId)
  const jobIds = new Set(jobs.map(({ id }) => id))
  const lists = {
    engines: keep(records.engines, ({ id }) => id === engineId),
    sheets: keep(records.sheets, (sheet) => sheet.engineId === engineId),
    jobs,
    entries: keep(records.entries, ({ jobId }) => jobIds.has(jobId)),
  }
  const envelope: Envelope = { format: FILE_FORMAT, version: FILE_VERSION, savedAt }
  return {
    ...envelope,
    ...lists,
    ...(aside.length > 0 ? { aside: aside.map((one) => JSON.stringify(one) ?? 'null') } : {}),
    checksums: {
      file: checksumOfEnvelope(
        envelope,
        LISTS.map((name) => lists[name].length),
      ),
      engines: lists.engines.map(checksumOf),
      sheets: lists.sheets.map(checksumOf),
      jobs: lists.jobs.map(checksumOf),
      entries: lists.entries.map(checksumOf),
    },
  }
}

/** A file as text, piece by piece, a record to the line and nothing indented: a whole one may be longer than a string can be. */
export function* fileText(file: LinkCountFile): Generator<string> {
  const { format, version, savedAt, checksums, aside } = file
  yield `{"format":${JSON.stringify(format)},"version":${version},"savedAt":${JSON.stringify(savedAt)}`
  for (const name of LISTS) {
    yield `,\n"${name}":[`
    for (const [i, record] of file[name].entries()) yield `${i === 0 ? '' : ','}\n${JSON.stringify(record)}`
    yield ']'
  }
  if (aside) yield `,\n"aside":${JSON.stringify(aside)}`
  if (checksums) yield `,\n"checksums":${JSON.stringify(checksums)}`
  yield '}\n'
}
