import { FILE_FORMAT, FILE_VERSION, type LinkCountFile, type Records } from '../model'

/** Everything, or one engine with its sheets, jobs and entries, as a file. */
export function makeFile(records: Records, savedAt: string, engineId?: string): LinkCountFile {
  const keep = <T>(list: readonly T[], test: (one: T) => boolean) => (engineId ? list.filter(test) : [...list])
  const jobs = keep(records.jobs, (job) => job.engineId === engineId)
  const jobIds = new Set(jobs.map(({ id }) => id))
  return {
    format: FILE_FORMAT,
    version: FILE_VERSION,
    savedAt,
    engines: keep(records.engines, ({ id }) => id === engineId),
    sheets: keep(records.sheets, (sheet) => sheet.engineId === engineId),
    jobs,
    entries: keep(records.entries, ({ jobId }) => jobIds.has(jobId)),
  }
}
