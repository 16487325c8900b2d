import { entrySchema, type Engine, type Entry, type NewEntry, type Job, type Records } from '@link-count/core/model'
import { demoJobs } from './demoJobs'
import type { DemoJob } from './says'
import type { DemoEngine } from './demoEngine'
import { demoEngines } from './scenario'
import { sheetOf } from './sheetOf'

const STARTED = '2026-09-14T08:00:00.000Z'

/** Turns the readable scenario into the records of a workshop: the same ones each time. */
export function buildDemo(): Records {
  const engines = demoEngines.map(({ id, name, description }, i): Engine => ({
    id,
    name,
    description,
    at: later(STARTED, i),
  }))
  const sheets = demoEngines.map((engine) => sheetOf(engine, STARTED))
  const jobs = demoJobs.map(({ id, engineId, number, at, arrival, reason, purpose, meter, schools }): Job => ({
    id,
    engineId,
    number,
    at,
    sheetId: `sheet-${engineId}`,
    arrival,
    reason,
    ...(purpose ? { purpose } : {}),
    ...(meter ? { meter } : {}),
    ...(schools ? { schools } : {}),
  }))
  return { engines, sheets, jobs, entries: demoJobs.flatMap(entriesOf) }
}

const later = (iso: string, minutes: number) => new Date(Date.parse(iso) + minutes * 60_000).toISOString()

function entriesOf(job: DemoJob): Entry[] {
  const newEntries: NewEntry[] = job.says(demoEngines.find(({ id }) => id === job.engineId) as DemoEngine)
  return newEntries.map((newEntry, i) =>
    entrySchema.parse({
      conditions: [],
      typed: [],
      ...newEntry,
      id: `${job.id}-${String(i + 1).padStart(3, '0')}`,
      jobId: job.id,
      sheetId: `sheet-${job.engineId}`,
      device: 'd-bench',
      counter: i + 1,
      at: later(job.at, i * 4),
      seenFrom: 'timing',
    }),
  )
}
