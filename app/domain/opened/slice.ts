import type { UnknownAction } from '@reduxjs/toolkit'
import { byId } from '@link-count/core/byId'
import type { BuildSheet, Entry } from '@link-count/core/model'
import type { Batch, Rows } from '../env'
import { engineRead, loaded, written, type EngineRows } from '../written'

/** The build sheets and the ledgers of an engine, the lines of each job in the order they came. */
export interface OpenEngine {
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
  readonly jobIds: ReadonlySet<string>
}

export type OpenEngines = Readonly<Record<string, OpenEngine>>

const none = Object.create(null) as OpenEngines

/** Engines whose build sheets and ledgers are at hand: those that a page was opened for. Of all others only the head is. */
export function openedReducer(state: OpenEngines = none, action: UnknownAction): OpenEngines {
  if (engineRead.match(action)) return byId([...Object.entries(state), open(action.payload)])
  if (written.match(action)) return after(state, action.payload)
  return loaded.match(action) ? byId((action.payload.opened ?? []).map(open)) : state
}

const open = ({ engineId, jobIds, sheets, entries }: EngineRows): [string, OpenEngine] => [
  engineId,
  { sheets, entries, jobIds: new Set(jobIds) },
]

function after(state: OpenEngines, { put, drop }: Batch): OpenEngines {
  if (!put && !drop) return state
  let changed = false
  const next = Object.entries(state).map(([engineId, engine]): [string, OpenEngine] => {
    const fresh = engineAfter(engineId, engine, put ?? {}, drop ?? {})
    changed ||= fresh !== engine
    return [engineId, fresh]
  })
  return changed ? byId(next) : state
}

function engineAfter(engineId: string, engine: OpenEngine, put: Rows, drop: NonNullable<Batch['drop']>): OpenEngine {
  const newJobs = (put.jobs ?? []).filter((job) => job.engineId === engineId && !engine.jobIds.has(job.id))
  const jobIds = newJobs.length > 0 ? new Set([...engine.jobIds, ...newJobs.map(({ id }) => id)]) : engine.jobIds
  const sheets = replaced(
    engine.sheets,
    (put.sheets ?? []).filter((sheet) => sheet.engineId === engineId),
    drop.sheets ?? [],
  )
  const entries = added(
    engine.entries,
    (put.entries ?? []).filter(({ jobId }) => jobIds.has(jobId)),
    drop.entries ?? [],
  )
  return jobIds === engine.jobIds && sheets === engine.sheets && entries === engine.entries
    ? engine
    : { sheets, entries, jobIds }
}

function replaced(list: readonly BuildSheet[], put: readonly BuildSheet[], drop: readonly string[]) {
  if (put.length === 0 && !list.some(({ id }) => drop.includes(id))) return list
  const fresh = new Map(put.map((one) => [one.id, one]))
  const there = new Set(list.map(({ id }) => id))
  return [
    ...list.filter(({ id }) => !drop.includes(id)).map((one) => fresh.get(one.id) ?? one),
    ...put.filter(({ id }) => !there.has(id)),
  ]
}

/** Lines are added and never changed: one that is there stays as it is. */
function added(list: readonly Entry[], put: readonly Entry[], drop: readonly string[]) {
  const gone = new Set(drop)
  const left = gone.size > 0 && list.some(({ id }) => gone.has(id)) ? list.filter(({ id }) => !gone.has(id)) : list
  if (put.length === 0) return left
  const there = new Set(left.map(({ id }) => id))
  const fresh = put.filter(({ id }) => !there.has(id))
  return fresh.length > 0 ? [...left, ...fresh] : left
}
