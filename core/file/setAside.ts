import {
  buildSheetSchema,
  engineSchema,
  entrySchema,
  isRemoved,
  jobSchema,
  type BuildSheet,
  type Job,
  type Records,
} from '../model'
import { newestSheets } from '../sheet'
import { checkIds, checkRoom } from './checkIds'

export interface Sound {
  readonly records: Records
  /** What no reader would take, as it is: kept in the file to be looked at, and left out when it is opened. */
  readonly aside: readonly unknown[]
}

/** Parts records that a reader takes from those that it would refuse, so that one bad record never makes a file that does not open again. Of a job whose ledger
 *  is not sound only its head stays, as one that was taken out: what it did to the engine is not known. Sound records come back untouched. */
export function setAside(records: Records): Sound {
  const aside: unknown[] = []
  const sound = <T extends { readonly id: string }>(rows: readonly T[], isGood: (row: T) => boolean): T[] => {
    const seen = new Set<string>()
    return rows.filter((row) => {
      const good = isGood(row) && !seen.has(row.id)
      if (good) seen.add(row.id)
      else aside.push(row)
      return good
    })
  }
  const engines = sound(records.engines, (one) => engineSchema.safeParse(one).success)
  const engineIds = new Set(engines.map(({ id }) => id))
  const sheets = sound(records.sheets, (one) => engineIds.has(one?.engineId) && isSheet(one, engines))
  const sheetOf = new Map(sheets.map((sheet) => [sheet.id, sheet.engineId]))
  const readable = sound(
    records.jobs,
    (one) => engineIds.has(one?.engineId) && jobSchema.safeParse({ ...one, sheetId: 'any' }).success,
  )
  const owner = new Map(readable.map((job) => [job.id, job.engineId]))
  const bad = new Set(readable.flatMap((job) => (sheetOf.get(job.sheetId) === job.engineId ? [] : [job.id])))
  const lines = sound(records.entries, (one) => {
    const engineId = owner.get(one?.jobId)
    const points = (id: string) => sheetOf.get(id) === engineId
    const good =
      engineId !== undefined &&
      entrySchema.safeParse(one).success &&
      points(one.sheetId) &&
      (one.kind !== 'sheet' || points(one.toSheetId)) &&
      checkRoom({ engines: [], sheets: [], jobs: [], entries: [one] }) === undefined
    if (!good && engineId !== undefined) bad.add(one.jobId)
    return good
  })
  const entries = lines.filter((one) => {
    if (bad.has(one.jobId)) aside.push(one)
    return !bad.has(one.jobId)
  })
  const jobs = readable.flatMap((job): Job[] => {
    if (!bad.has(job.id)) return [job]
    aside.push(job)
    const [sheet] = newestSheets(sheets.filter(({ engineId }) => engineId === job.engineId))
    const its = lines.filter(({ jobId }) => jobId === job.id).map(({ counter }) => counter)
    return sheet
      ? [
          {
            ...job,
            sheetId: sheet.id,
            removed: job.removed && isRemoved(job) ? job.removed : { at: job.at, counter: Math.max(0, ...its) },
          },
        ]
      : []
  })
  return { records: { engines, sheets, jobs, entries }, aside }
}

/** The sound records alone: a job that is not sound is not there, so that a file which has it whole brings it back. */
export function soundOnly(records: Records): Records {
  const { records: sound, aside } = setAside(records)
  if (aside.length === 0) return records
  const taken = new Set(records.jobs.filter(isRemoved).map(({ id }) => id))
  return { ...sound, jobs: sound.jobs.filter((job) => !isRemoved(job) || taken.has(job.id)) }
}

const isSheet = (sheet: BuildSheet, engines: Records['engines']) =>
  buildSheetSchema.safeParse(sheet).success &&
  checkIds({ engines, sheets: [sheet], jobs: [], entries: [] }) === undefined
