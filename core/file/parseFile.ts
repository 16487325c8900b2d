import { FILE_FORMAT, FILE_VERSION, fileSchema, type LinkCountFile } from '../model'
import { err, ok, type Result } from '../result'

/** The JSON alone; pictures travel beside it and have their own limit in the app. */
export const MOST_FILE_BYTES = 20_000_000
const MOST_DEPTH = 16

export type FileError =
  | { readonly code: 'tooBig'; readonly bytes: number; readonly most: number }
  | { readonly code: 'notJson'; readonly detail: string }
  | { readonly code: 'foreign' }
  | { readonly code: 'newer'; readonly version: number; readonly known: number }
  | { readonly code: 'forbiddenKey'; readonly where: string }
  | { readonly code: 'tooDeep'; readonly where: string }
  | { readonly code: 'invalid'; readonly where: string; readonly detail: string }
  | { readonly code: 'danglingId'; readonly where: string; readonly id: string }
  | { readonly code: 'twice'; readonly where: string; readonly id: string }

export interface NamedMigration {
  readonly name: string
  /** The version it takes a file from; it leaves it one higher. */
  readonly from: number
  readonly up: (file: Record<string, unknown>) => Record<string, unknown>
}

/** Reads an exported file: whole or not at all. Hostile until parsed: size, depth, prototype keys, every field by its schema,
 *  every id that points at something. Older versions go through the named migrations first. */
export function parseFile(text: string, migrations: readonly NamedMigration[]): Result<LinkCountFile, FileError> {
  // UTF-8 takes at most three bytes for each unit of a string; the length alone settles the common case.
  if (text.length > MOST_FILE_BYTES) return err({ code: 'tooBig', bytes: text.length, most: MOST_FILE_BYTES })
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (cause) {
    return err({ code: 'notJson', detail: cause instanceof Error ? cause.message : String(cause) })
  }
  const hostile = findHostile(raw, '', 0)
  if (hostile) return err(hostile)
  if (!isRecord(raw) || raw['format'] !== FILE_FORMAT || typeof raw['version'] !== 'number')
    return err({ code: 'foreign' })
  if (raw['version'] > FILE_VERSION) return err({ code: 'newer', version: raw['version'], known: FILE_VERSION })
  const parsed = fileSchema.safeParse(migrate(raw, migrations))
  if (!parsed.success) {
    const [issue] = parsed.error.issues
    return err({ code: 'invalid', where: issue?.path.join('.') ?? '', detail: issue?.message ?? '' })
  }
  return checkIds(parsed.data)
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function migrate(file: Record<string, unknown>, migrations: readonly NamedMigration[]): Record<string, unknown> {
  const step = migrations.find(({ from }) => from === file['version'])
  return step ? migrate({ ...step.up(file), version: step.from + 1 }, migrations) : file
}

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

function findHostile(value: unknown, where: string, depth: number): FileError | undefined {
  if (typeof value !== 'object' || value === null) return undefined
  if (depth > MOST_DEPTH) return { code: 'tooDeep', where }
  for (const [key, inner] of Object.entries(value)) {
    const here = where === '' ? key : `${where}.${key}`
    if (FORBIDDEN.has(key)) return { code: 'forbiddenKey', where: here }
    const found = findHostile(inner, here, depth + 1)
    if (found) return found
  }
  return undefined
}

function checkIds(file: LinkCountFile): Result<LinkCountFile, FileError> {
  for (const list of ['engines', 'sheets', 'jobs', 'entries'] as const) {
    const seen = new Set<string>()
    for (const { id } of file[list]) {
      if (seen.has(id)) return err({ code: 'twice', where: list, id })
      seen.add(id)
    }
  }
  const engines = new Set(file.engines.map(({ id }) => id))
  const sheets = new Map(file.sheets.map((sheet) => [sheet.id, sheet]))
  const jobs = new Map(file.jobs.map((job) => [job.id, job]))
  const dangling = (where: string, id: string) => err<FileError>({ code: 'danglingId', where, id })
  for (const sheet of file.sheets) {
    if (!engines.has(sheet.engineId)) return dangling(`sheets.${sheet.id}.engineId`, sheet.engineId)
    if (!sheet.cylinders.some(({ id }) => id === sheet.zeroCylinderId)) {
      return dangling(`sheets.${sheet.id}.zeroCylinderId`, sheet.zeroCylinderId)
    }
  }
  for (const job of file.jobs) {
    if (!engines.has(job.engineId)) return dangling(`jobs.${job.id}.engineId`, job.engineId)
    if (sheets.get(job.sheetId)?.engineId !== job.engineId) return dangling(`jobs.${job.id}.sheetId`, job.sheetId)
  }
  for (const entry of file.entries) {
    if (!jobs.has(entry.jobId)) return dangling(`entries.${entry.id}.jobId`, entry.jobId)
    if (!sheets.has(entry.sheetId)) return dangling(`entries.${entry.id}.sheetId`, entry.sheetId)
    if (entry.kind === 'sheet' && !sheets.has(entry.toSheetId))
      return dangling(`entries.${entry.id}.toSheetId`, entry.toSheetId)
  }
  return ok(file)
}
