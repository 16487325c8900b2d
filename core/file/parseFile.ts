import { FILE_FORMAT, FILE_VERSION, fileSchema, type LinkCountFile } from '../model'
import { err, ok, type Result } from '../result'
import { checkIds, checkRoom } from './checkIds'
import type { FileError } from './fileError'
import { LISTS, type ListName } from './lists'
import { checksumOf, checksumOfEnvelope } from './writeFile'

/** The JSON alone, read and written; pictures travel beside it and have their own limit in the app. 1,000 engines with 100,000 entries take less than half
 *  of it: docs/performance.md. */
export const MOST_FILE_BYTES = 160_000_000
const MOST_DEPTH = 16

export interface NamedMigration {
  readonly name: string
  /** The version it takes a file from; it leaves it one higher. */
  readonly from: number
  readonly up: (file: Record<string, unknown>) => Record<string, unknown>
}

/** Reads an exported file: whole or not at all. Hostile until parsed: size, depth, prototype keys, checksums where it has them, every field by its schema,
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
  const damaged = findDamage(raw)
  if (damaged) return err(damaged)
  let raised: unknown
  try {
    raised = migrate(raw, migrations)
  } catch (cause) {
    return err({ code: 'invalid', where: '', detail: cause instanceof Error ? cause.message : String(cause) })
  }
  const parsed = fileSchema.safeParse(raised)
  if (!parsed.success) {
    const [issue] = parsed.error.issues
    return err({ code: 'invalid', where: issue?.path.join('.') ?? '', detail: issue?.message ?? '' })
  }
  const wrong = checkIds(parsed.data) ?? checkRoom(parsed.data)
  return wrong ? err(wrong) : ok(parsed.data)
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function migrate(file: Record<string, unknown>, migrations: readonly NamedMigration[]): Record<string, unknown> {
  const step = migrations.find(({ from }) => from === file['version'])
  if (!step) return file
  // A checksum is of the record as it was written: it has been held against that by now.
  const { checksums: _checked, ...rest } = step.up(file)
  return migrate({ ...rest, version: step.from + 1 }, migrations)
}

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

function findHostile(value: unknown, where: string, depth: number): FileError | undefined {
  if (typeof value !== 'object' || value === null) return undefined
  if (depth > MOST_DEPTH) return { code: 'tooDeep', where }
  for (const key in value) {
    const inner = (value as Record<string, unknown>)[key]
    const forbidden = FORBIDDEN.has(key)
    if (!forbidden && (typeof inner !== 'object' || inner === null)) continue
    const here = where === '' ? key : `${where}.${key}`
    if (forbidden) return { code: 'forbiddenKey', where: here }
    const found = findHostile(inner, here, depth + 1)
    if (found) return found
  }
  return undefined
}

/** The first record whose checksum is not its own. A file without checksums has none to find. */
function findDamage(raw: Record<string, unknown>): FileError | undefined {
  const sums = raw['checksums']
  if (!isRecord(sums)) return undefined
  const lists = LISTS.map((name): readonly unknown[] => (Array.isArray(raw[name]) ? (raw[name] as unknown[]) : []))
  for (const [k, name] of LISTS.entries()) {
    const list = lists[k] ?? []
    const own = sums[name]
    for (const [i, record] of list.entries())
      if (!Array.isArray(own) || own[i] !== checksumOf(record)) return damage(name, i, record)
    if (!Array.isArray(own) || own.length !== list.length) return { code: 'damaged', where: 'file', id: '' }
  }
  const envelope = raw as unknown as Parameters<typeof checksumOfEnvelope>[0]
  const counts = lists.map(({ length }) => length)
  return sums['file'] === checksumOfEnvelope(envelope, counts) ? undefined : { code: 'damaged', where: 'file', id: '' }
}

const damage = (name: ListName, i: number, record: unknown): FileError => ({
  code: 'damaged',
  where: `${name}.${i}`,
  id: isRecord(record) && typeof record['id'] === 'string' ? record['id'].slice(0, 64) : '',
})
