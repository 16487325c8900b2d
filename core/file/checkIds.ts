import type { BuildSheet, Records } from '../model'
import type { FileError } from './fileError'
import { LISTS } from './lists'

/** The first id that stands twice, or points at what is not there or is of another engine. Holds of a file, and of what is here with a file on top. */
export function checkIds(file: Records): FileError | undefined {
  for (const list of LISTS) {
    const id = firstTwice(file[list])
    if (id !== undefined) return { code: 'twice', where: list, id }
  }
  const engines = new Set(file.engines.map(({ id }) => id))
  const sheets = new Map(file.sheets.map((sheet) => [sheet.id, sheet]))
  const jobs = new Map(file.jobs.map((job) => [job.id, job]))
  const dangling = (where: string, id: string): FileError => ({ code: 'danglingId', where, id })
  for (const sheet of file.sheets) {
    if (!engines.has(sheet.engineId)) return dangling(`sheets.${sheet.id}.engineId`, sheet.engineId)
    if (!sheet.cylinders.some(({ id }) => id === sheet.zeroCylinderId))
      return dangling(`sheets.${sheet.id}.zeroCylinderId`, sheet.zeroCylinderId)
    const twice = twiceInside(sheet)
    if (twice) return twice
  }
  const ofEngine = (sheetId: string, engineId: string) => sheets.get(sheetId)?.engineId === engineId
  for (const job of file.jobs) {
    if (!engines.has(job.engineId)) return dangling(`jobs.${job.id}.engineId`, job.engineId)
    if (!ofEngine(job.sheetId, job.engineId)) return dangling(`jobs.${job.id}.sheetId`, job.sheetId)
  }
  for (const entry of file.entries) {
    const job = jobs.get(entry.jobId)
    if (!job) return dangling(`entries.${entry.id}.jobId`, entry.jobId)
    if (!ofEngine(entry.sheetId, job.engineId)) return dangling(`entries.${entry.id}.sheetId`, entry.sheetId)
    if (entry.kind === 'sheet' && !ofEngine(entry.toSheetId, job.engineId))
      return dangling(`entries.${entry.id}.toSheetId`, entry.toSheetId)
  }
  return undefined
}

function firstTwice(list: readonly { readonly id: string }[]): string | undefined {
  const seen = new Set<string>()
  for (const { id } of list) {
    if (seen.has(id)) return id
    seen.add(id)
  }
  return undefined
}

/** An id that two parts of one list of a build sheet bear. */
function twiceInside(sheet: BuildSheet): FileError | undefined {
  for (const [key, list] of Object.entries(sheet)) {
    if (!Array.isArray(list) || typeof list[0] !== 'object' || list[0] === null || !('id' in list[0])) continue
    const id = firstTwice(list as { id: string }[])
    if (id !== undefined) return { code: 'twice', where: `sheets.${sheet.id}.${key}`, id }
  }
  return undefined
}

/** How far beyond what was written here a counter, a version or a number may stand; the schema's own limit is far above. Each record of ours raises it by one,
 *  so what was taken in once is never refused later. */
const MOST_COUNTER = 100_000_000
const MOST_VERSION = 50_000

/** The first counter, version or number that would leave no room to write on. */
export function checkRoom(file: Records): FileError | undefined {
  const jobs = new Map(file.jobs.map((job) => [job.id, job.engineId]))
  const count = (engines: readonly (string | undefined)[]) => {
    const counts = new Map<string | undefined, number>()
    for (const id of engines) counts.set(id, (counts.get(id) ?? 0) + 1)
    return counts
  }
  const entries = count(file.entries.map(({ jobId }) => jobs.get(jobId)))
  const sheets = count(file.sheets.map(({ engineId }) => engineId))
  const visits = count(file.jobs.map(({ engineId }) => engineId))
  const entry = file.entries.find(({ counter, jobId }) => counter > MOST_COUNTER + (entries.get(jobs.get(jobId)) ?? 0))
  if (entry) return { code: 'noRoom', where: `entries.${entry.id}.counter`, id: entry.id }
  const sheet = file.sheets.find(({ version, engineId }) => version > MOST_VERSION + (sheets.get(engineId) ?? 0))
  if (sheet) return { code: 'noRoom', where: `sheets.${sheet.id}.version`, id: sheet.id }
  const job = file.jobs.find(({ number, engineId }) => number > MOST_VERSION + (visits.get(engineId) ?? 0))
  return job ? { code: 'noRoom', where: `jobs.${job.id}.number`, id: job.id } : undefined
}
