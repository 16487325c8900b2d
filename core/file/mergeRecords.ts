import { citedSheets } from '../ledger/cited'
import type { BuildSheet, Entry, Job, Records } from '../model'
import { err, ok, type Result } from '../result'
import { checkIds, checkRoom } from './checkIds'
import { checksum } from './checksum'
import type { FileError } from './fileError'
import { mergeFields, withField, type Difference } from './mergeFields'
import { soundOnly } from './setAside'
import { stable } from './stable'
import { LISTS, type ListName } from './lists'
import { broughtBack, deletedOf, mergeRemoved, withoutDeleted, type Deleted } from './mergeRemoved'

/** A field in which the file and what is here differ: one of the two was taken, the other is offered. */
export interface Offer extends Difference {
  readonly list: 'engines' | 'jobs' | 'sheets'
  readonly id: string
  readonly name: string
}

export interface MergeOutcome {
  /** What is new here. */
  readonly add: Records
  /** Records that are here and become others: fields that the file has too, sheets of which two copies went on apart. */
  readonly change: Records
  readonly same: number
  readonly offers: readonly Offer[]
  /** Lines of the ledger that are here under the same id with other content: ours stay. */
  readonly kept: readonly string[]
  /** What only one side still has of what the other deleted: it stays deleted, unless it is kept. */
  readonly deleted: readonly Deleted[]
  /** Ids of records here that go with what is deleted. */
  readonly drop: { readonly [K in ListName]: readonly string[] }
  /** Build sheets of one number that both stay; which is right is asked where the engine is. */
  readonly rivals: readonly { readonly engineId: string; readonly version: number }[]
}

/** What opening a file would do, before it is done. Of two copies of one workshop that went on apart the outcome is the same whichever of them opens the
 *  other's file: entries and cited sheets are united, engines, heads of jobs and sheets that nobody cites are merged by field; what either deleted is deleted. `keep`: ids of deleted engines and
 *  jobs that are to be there all the same, from that time on. Errors: a record of ours
 *  that the file has under another engine or job, and ids that would point nowhere. */
export function mergeRecords(
  here: Records,
  file: Records,
  keep: { readonly ids: readonly string[]; readonly at: string } = { ids: [], at: '' },
): Result<MergeOutcome, FileError> {
  const kept = new Set(keep.ids)
  // What is here and cannot be read is no reason to refuse a file, which may have it whole.
  const before = soundOnly(here)
  const deleted = deletedOf(before, file)
  const [mine, theirs] = [broughtBack(before, kept, keep.at), broughtBack(file, kept, keep.at)]
  const elsewhere = belongsElsewhere(mine, theirs)
  if (elsewhere) return err(elsewhere)
  const otherSheet = changedUnderWork(mine, theirs)
  if (otherSheet) return err(otherSheet)
  const apart = sheetsApart(mine, theirs)
  const ours = recite(mine, apart.renameMine)
  const other = recite(theirs, apart.renameTheirs)
  const offers: Offer[] = []
  const told = (list: Offer['list'], id: string, name: string, differences: readonly Difference[]) => {
    // When it was last changed is no choice of anybody's.
    for (const one of differences)
      if (one.path[0] !== 'at' && one.path[0] !== 'sheetId' && one.path[0] !== 'removed')
        offers.push({ ...one, list, id, name })
  }
  const engines = united(ours.engines, other.engines, (a, b) => {
    const { merged, differences } = mergeFields(a, b)
    told('engines', a.id, merged.name, differences)
    return merged
  })
  const linesOf = (jobId: string) => [...ours.entries, ...other.entries].filter((entry) => entry.jobId === jobId)
  const nameOf = (engineId: string) => engines.find(({ id }) => id === engineId)?.name ?? ''
  const jobs = united(ours.jobs, other.jobs, (a, b) => {
    const { merged, differences } = mergeFields(a, b)
    told('jobs', a.id, `${nameOf(a.engineId)}, job ${merged.number}`, differences)
    if (!merged.removed) return merged
    const { removed: _either, ...rest } = merged
    return { ...rest, ...mergeRemoved([a, b], linesOf(a.id)) }
  })
  const sheets = united(ours.sheets, other.sheets, (a, b) => {
    const { merged, differences } = mergeFields(a, b)
    told('sheets', a.id, `${nameOf(a.engineId)}, build sheet ${a.version}`, differences)
    return merged
  })
  const keptLines: string[] = []
  const entries = united(ours.entries, other.entries, (a) => {
    keptLines.push(a.id)
    return a
  })
  const all = withoutDeleted({ engines, sheets, jobs, entries })
  const wrong = checkIds(all) ?? checkRoom(all)
  if (wrong) return err(wrong)
  const offered = new Set(offers.map(({ id }) => id))
  return ok({ ...compare(before, all, offered), offers, kept: keptLines, deleted, rivals: rivalsOf(all, mine) })
}

/** The outcome with what was not taken of a field taken after all. */
export function takeOther(outcome: MergeOutcome, { list, id, path, other }: Offer): MergeOutcome {
  const take = (records: Records): Records => ({
    ...records,
    [list]: records[list].map((one) => (one.id === id ? withField(one, path, other) : one)),
  })
  return { ...outcome, add: take(outcome.add), change: take(outcome.change) }
}

function united<T extends { readonly id: string }>(
  mine: readonly T[],
  theirs: readonly T[],
  both: (mine: T, theirs: T) => T,
): T[] {
  const rows = new Map(mine.map((one) => [one.id, one]))
  for (const one of theirs) {
    const here = rows.get(one.id)
    rows.set(one.id, !here || stable(here) === stable(one) ? (here ?? one) : both(here, one))
  }
  return [...rows.values()]
}

/** What is new and what is another than before, or may become so. */
function compare(
  mine: Records,
  all: Records,
  offered: ReadonlySet<string>,
): Pick<MergeOutcome, 'add' | 'change' | 'same' | 'drop'> {
  let same = 0
  const split = <T extends { readonly id: string }>(before: readonly T[], now: readonly T[]) => {
    const here = new Map(before.map((one) => [one.id, one]))
    const isOther = (one: T, was: T | undefined) =>
      was !== undefined && (offered.has(one.id) || (was !== one && stable(was) !== stable(one)))
    const changed = now.filter((one) => isOther(one, here.get(one.id)))
    const added = now.filter((one) => !here.has(one.id))
    same += now.length - added.length - changed.length
    const left = new Set(now.map(({ id }) => id))
    const gone = before.flatMap(({ id }) => (left.has(id) ? [] : [id]))
    return { added, changed, gone }
  }
  const lists = LISTS.map((name) => [name, split<{ id: string }>(mine[name], all[name])] as const)
  const pick = (which: 'added' | 'changed') =>
    Object.fromEntries(lists.map(([name, one]) => [name, one[which]])) as unknown as Records
  const drop = Object.fromEntries(lists.map(([name, one]) => [name, one.gone])) as unknown as MergeOutcome['drop']
  return { add: pick('added'), change: pick('changed'), same, drop }
}

const OWNER = { sheets: 'engineId', jobs: 'engineId', entries: 'jobId' } as const

function belongsElsewhere(mine: Records, theirs: Records): FileError | undefined {
  for (const list of ['sheets', 'jobs', 'entries'] as const) {
    const owner = (one: object) => (one as Record<string, unknown>)[OWNER[list]]
    const here = new Map<string, object>(mine[list].map((one) => [one.id, one]))
    for (const one of theirs[list]) {
      const ours = here.get(one.id)
      if (ours && owner(ours) !== owner(one)) return { code: 'belongsElsewhere', where: list, id: one.id }
    }
  }
  return undefined
}

/** Work that both sides have goes by a build sheet that differs: a cited one never changes, so one of the two was tampered with. */
function changedUnderWork(mine: Records, theirs: Records): FileError | undefined {
  const here = new Map(mine.sheets.map((sheet) => [sheet.id, sheet]))
  const differs = new Set(
    theirs.sheets.flatMap((sheet) => {
      const ours = here.get(sheet.id)
      return ours && stable(ours) !== stable(sheet) ? [sheet.id] : []
    }),
  )
  if (differs.size === 0) return undefined
  for (const list of ['jobs', 'entries'] as const) {
    const cites = new Map(mine[list].map((one) => [one.id, sheetsOf(one)]))
    for (const one of theirs[list]) {
      const sheetId = sheetsOf(one).find((id) => differs.has(id) && cites.get(one.id)?.includes(id))
      if (sheetId !== undefined) return { code: 'otherSheet', where: list, id: sheetId }
    }
  }
  return undefined
}

const sheetsOf = (one: Job | Entry): string[] => ('toSheetId' in one ? [one.sheetId, one.toSheetId] : [one.sheetId])

type Rename = ReadonlyMap<string, string>

/** Sheets of one id that went on apart after somebody had cited them: both stay. The cited one keeps the id; of two cited ones the one whose checksum is
 *  the smaller; the other gets an id made of its content, so that both sides give it the same. */
function sheetsApart(mine: Records, theirs: Records): { readonly renameMine: Rename; readonly renameTheirs: Rename } {
  const cited = [citedSheets(mine.jobs, mine.entries), citedSheets(theirs.jobs, theirs.entries)] as const
  const here = new Map(mine.sheets.map((sheet) => [sheet.id, sheet]))
  const renameMine = new Map<string, string>()
  const renameTheirs = new Map<string, string>()
  for (const sheet of theirs.sheets) {
    const ours = here.get(sheet.id)
    if (!ours || stable(ours) === stable(sheet)) continue
    const [byMe, byThem] = [cited[0].has(sheet.id), cited[1].has(sheet.id)]
    if (!byMe && !byThem) continue
    const mineStays = byMe && byThem ? contentSum(ours) < contentSum(sheet) : byMe
    if (mineStays) renameTheirs.set(sheet.id, ownId(sheet))
    else renameMine.set(sheet.id, ownId(ours))
  }
  return { renameMine, renameTheirs }
}

const contentSum = (sheet: BuildSheet) => {
  const text = stable({ ...sheet, id: '' })
  return `${checksum(text)}${checksum(`${text} `)}`
}
const ownId = (sheet: BuildSheet) => `${sheet.id.slice(0, 46)}-${contentSum(sheet)}`

function recite(records: Records, rename: Rename): Records {
  if (rename.size === 0) return records
  const now = (id: string) => rename.get(id) ?? id
  return {
    engines: records.engines,
    sheets: records.sheets.map((sheet) => (rename.has(sheet.id) ? { ...sheet, id: now(sheet.id) } : sheet)),
    jobs: records.jobs.map((job) => (rename.has(job.sheetId) ? { ...job, sheetId: now(job.sheetId) } : job)),
    entries: records.entries.map((entry) => {
      const to = entry.kind === 'sheet' ? entry.toSheetId : undefined
      if (!rename.has(entry.sheetId) && !(to !== undefined && rename.has(to))) return entry
      return { ...entry, sheetId: now(entry.sheetId), ...(to === undefined ? {} : { toSheetId: now(to) }) }
    }),
  }
}

function rivalsOf(all: Records, before: Records): MergeOutcome['rivals'] {
  const count = (sheets: readonly BuildSheet[]) => {
    const counts = new Map<string, { readonly engineId: string; readonly version: number; n: number }>()
    for (const { engineId, version } of sheets) {
      const key = `${engineId} ${version}`
      const one = counts.get(key) ?? { engineId, version, n: 0 }
      one.n++
      counts.set(key, one)
    }
    return counts
  }
  const were = count(before.sheets)
  return [...count(all.sheets)].flatMap(([key, { engineId, version, n }]) =>
    n > 1 && n > (were.get(key)?.n ?? 0) ? [{ engineId, version }] : [],
  )
}
