import { describe, expect, test } from 'vitest'
import { checksum, fileText, makeFile, mergeRecords, parseFile, stable, type MergeOutcome } from '@link-count/core/file'
import { judgeGuard } from '@link-count/core/guard'
import { citedSheets, foldJob, nextStamp, sheetIdNow } from '@link-count/core/ledger'
import {
  buildSheetSchema,
  entrySchema,
  fileSchema,
  type BuildSheet,
  type Entry,
  type NewEntry,
  type LinkCountFile,
  type Records,
} from '@link-count/core/model'
import { makeRandom } from '@link-count/core/random'
import { demoRecords } from '../demo/demoRecords'
import { newestSheet } from '../domain/sheets'
import { spoil, spoilRecords } from '../testing/spoil'
import { fileWords } from '../ui/wording'
import { fileMigrations } from '../db/migrations'

/* Files spoilt at random, random workshops there and back, and copies that went on apart and are put together: FUZZ says how many, FUZZ_SEED from where. */

const COUNT = Number(process.env['FUZZ'] ?? 300)
const SEED = Number(process.env['FUZZ_SEED'] ?? 1)
const AT = '2026-11-27T08:00:00.000Z'
type Random = () => number
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T

const bases = demoRecords.engines.map(({ id }) => makeFile(demoRecords, AT, id))

/** What must hold of everything that is taken in, worked out the long way. */
function mustHold(file: LinkCountFile): void {
  expect(fileSchema.safeParse(file).success).toBe(true)
  for (const job of file.jobs) {
    expect(file.engines.filter(({ id }) => id === job.engineId)).toHaveLength(1)
    expect(file.sheets.filter(({ id, engineId }) => id === job.sheetId && engineId === job.engineId)).toHaveLength(1)
  }
  for (const entry of file.entries) {
    const job = file.jobs.filter(({ id }) => id === entry.jobId)
    expect(job).toHaveLength(1)
    expect(
      file.sheets.filter(({ id, engineId }) => id === entry.sheetId && engineId === job[0]?.engineId),
    ).toHaveLength(1)
  }
  for (const job of file.jobs.filter(({ removed }) => !removed)) {
    const jobs = file.jobs.filter(({ engineId }) => engineId === job.engineId)
    const state = foldJob({ job, jobs, sheets: file.sheets, entries: file.entries })
    const sheet = file.sheets.find(({ id }) => id === state.sheetId)
    if (sheet) expect(['turn', 'trim', 'doNotTurn', 'unknown']).toContain(judgeGuard(sheet, state).verdict)
  }
}

test(`of ${COUNT} spoilt files none throws, none is taken wrongly, and each refusal has its words`, () => {
  const before = checksum(stable(demoRecords))
  let taken = 0
  for (let i = 0; i < COUNT; i++) {
    const random = makeRandom(SEED + i)
    const base = pick(random, bases)
    const sealed = random() < 0.5
    const { checksums: _none, ...open } = base
    const text = spoil(sealed ? base : open, random)
    const why = `seed ${SEED + i}`
    const parsed = parseFile(text, fileMigrations)
    if (!parsed.ok) {
      const words = fileWords(parsed.error)
      expect(words, why).toMatch(/Nothing was changed\.$/)
      expect(words, why).not.toMatch(/undefined|\[object/)
      continue
    }
    taken++
    mustHold(parsed.value)
    // With its checksums it is the same as before, or it was given others: no spoilt record passes for a whole one.
    if (sealed && parsed.value.checksums) expect(checksum(stable(parsed.value)), why).toBe(checksum(stable(base)))
    const again = parseFile([...fileText(makeFile(parsed.value, AT))].join(''), fileMigrations)
    expect(again.ok, why).toBe(true)
    // Opened over the demo, what is here stays or the file is refused.
    mergeRecords(demoRecords, parsed.value)
  }
  expect(checksum(stable(demoRecords)), 'what is here is as it was').toBe(before)
  expect(taken).toBeGreaterThan(COUNT / 50)
})

/* A small workshop, written on as the app writes. */

class Copy {
  constructor(
    public records: Records,
    private readonly device: string,
    private readonly random: Random,
  ) {}
  private id = () => `${this.device}-${Math.floor(this.random() * 1e9).toString(36)}`
  private put<K extends keyof Records>(list: K, row: Records[K][number]) {
    const rest = (this.records[list] as { id: string }[]).filter(({ id }) => id !== row.id)
    this.records = { ...this.records, [list]: [...rest, row] }
  }
  private words = () => pick(this.random, ['', 'red', 'grüne Späne', '<b>', '½ "', '日本', 'a'.repeat(200)])

  step(): void {
    const { engines, sheets, jobs, entries } = this.records
    const engine = pick(this.random, engines)
    const own = jobs.filter(({ engineId }) => engineId === engine.id)
    const does = pick(this.random, ['name', 'sheet', 'sheet', 'job', 'say', 'say', 'say', 'take'] as const)
    if (does === 'name') return this.put('engines', { ...engine, description: this.words() })
    const newest = newestSheet(sheets.filter(({ engineId }) => engineId === engine.id)) as BuildSheet
    if (does === 'sheet') {
      const cited = citedSheets(jobs, entries).has(newest.id)
      const mm = 60 + Math.floor(this.random() * 50)
      const changed: BuildSheet = {
        ...newest,
        notes: this.words(),
        strokeMm: { value: mm, typed: `${mm} mm`, trust: 'measured' },
      }
      const next = {
        id: this.id(),
        version: newest.version + 1,
        at: new Date(1.8e12 + this.random() * 1e9).toISOString(),
      }
      return this.put('sheets', buildSheetSchema.parse(cited ? { ...changed, ...next } : changed))
    }
    if (does === 'job' || own.length === 0) {
      const number = own.reduce((most, one) => Math.max(most, one.number), 0) + 1
      return this.put('jobs', {
        id: this.id(),
        engineId: engine.id,
        number,
        at: AT,
        sheetId: newest.id,
        arrival: 'whole',
        reason: this.words(),
      })
    }
    const job = pick(this.random, own)
    const ofEngine = entries.filter(({ jobId }) => own.some(({ id }) => id === jobId))
    const said: NewEntry[] =
      does === 'take'
        ? [{ kind: 'sheet', toSheetId: newest.id }]
        : [
            pick<NewEntry>(this.random, [
              { kind: 'note', text: this.words() },
              { kind: 'turned', deg: 90, ended: 'onMark' },
            ]),
          ]
    const stamp = nextStamp(ofEngine, this.device)
    const common = {
      conditions: [],
      typed: [],
      id: this.id(),
      jobId: job.id,
      sheetId: sheetIdNow(job, ofEngine),
      device: this.device,
      at: AT,
      seenFrom: 'timing',
    }
    for (const draft of said) this.put('entries', entrySchema.parse({ ...common, ...stamp, ...draft }) as Entry)
  }
}

const start = (random: Random): Records => {
  const { engines, sheets } = makeFile(demoRecords, AT, pick(random, demoRecords.engines).id)
  const used = new Set(sheets.map(({ id }) => id))
  return { engines, sheets: [...sheets].filter(({ id }) => used.has(id)).slice(0, 1), jobs: [], entries: [] }
}

const sorted = (records: Records) =>
  checksum(
    stable(
      Object.fromEntries(
        (['engines', 'sheets', 'jobs', 'entries'] as const).map((name) => [
          name,
          [...records[name]].sort((a, b) => (a.id < b.id ? -1 : 1)),
        ]),
      ),
    ),
  )

function opened(
  mine: Records,
  theirs: Records,
  why: string,
): { readonly all: Records; readonly outcome: MergeOutcome } {
  const merged = mergeRecords(mine, theirs)
  if (!merged.ok) throw new Error(`${why}: ${JSON.stringify(merged.error)}`)
  const { add, change } = merged.value
  const list = <K extends keyof Records>(name: K): Records[K] => {
    const rows = new Map<string, unknown>(mine[name].map((one) => [one.id, one]))
    for (const one of [...change[name], ...add[name]]) rows.set(one.id, one)
    return [...rows.values()] as Records[K]
  }
  const all = { engines: list('engines'), sheets: list('sheets'), jobs: list('jobs'), entries: list('entries') }
  return { all, outcome: merged.value }
}

describe('random workshops', () => {
  const rounds = Math.ceil(COUNT / 4)
  test(`${rounds} of them are the same after there and back`, () => {
    for (let i = 0; i < rounds; i++) {
      const random = makeRandom(SEED + 1_000_000 + i)
      const copy = new Copy(start(random), 'd-a', random)
      for (let k = Math.floor(random() * 12); k > 0; k--) copy.step()
      const parsed = parseFile([...fileText(makeFile(copy.records, AT))].join(''), fileMigrations)
      expect(parsed.ok && sorted(parsed.value), `seed ${SEED + 1_000_000 + i}`).toBe(sorted(copy.records))
    }
  })
  test(`${rounds} of them with spoilt rows are saved to files that open again`, () => {
    for (let i = 0; i < rounds; i++) {
      const random = makeRandom(SEED + 3_000_000 + i)
      const { engines, sheets, jobs, entries } = pick(random, bases)
      const records = spoilRecords({ engines, sheets, jobs, entries }, random)
      const parsed = parseFile([...fileText(makeFile(records, AT))].join(''), fileMigrations)
      expect(parsed.ok ? '' : parsed.error, `seed ${SEED + 3_000_000 + i}`).toBe('')
    }
  })
  test(`${rounds} pairs that went on apart give the same whichever opens the other’s file, and nothing more the second time`, () => {
    let apart = 0
    for (let i = 0; i < rounds; i++) {
      const why = `seed ${SEED + 2_000_000 + i}`
      const random = makeRandom(SEED + 2_000_000 + i)
      const common = new Copy(start(random), 'd-a', random)
      for (let k = Math.floor(random() * 6); k > 0; k--) common.step()
      const [a, b] = ['d-a', 'd-b'].map((device) => new Copy(common.records, device, random)) as [Copy, Copy]
      for (let k = Math.floor(random() * 8); k > 0; k--) pick(random, [a, b]).step()
      const [here, there] = [opened(a.records, b.records, why), opened(b.records, a.records, why)]
      expect(sorted(here.all), why).toBe(sorted(there.all))
      const lines = new Set([...a.records.entries, ...b.records.entries].map(({ id }) => id))
      expect(here.all.entries.length, why).toBe(lines.size)
      for (const file of [a.records, b.records]) {
        const { all } = opened(here.all, file, why)
        if (here.outcome.offers.length === 0) expect(sorted(all), why).toBe(sorted(here.all))
      }
      if (here.outcome.rivals.length + here.outcome.offers.length > 0) apart++
    }
    expect(apart).toBeGreaterThan(rounds / 20)
  })
})
