import type { UnknownAction } from '@reduxjs/toolkit'
import { loaded, written } from '../written'
import type { SummaryRow } from './summary'

export type Summaries = ReadonlyMap<string, SummaryRow>

const none: Summaries = new Map()
const byEngine = (rows: readonly SummaryRow[]) => rows.map((row) => [row.id, row] as const)

/** What the list of engines shows of each, by engine. */
export function summariesReducer(state: Summaries = none, action: UnknownAction): Summaries {
  if (loaded.match(action)) return new Map(byEngine(action.payload.summaries ?? []))
  if (!written.match(action)) return state
  const { put, drop } = action.payload
  if (!put?.summaries?.length && !drop?.summaries?.length) return state
  const after = new Map([...state, ...byEngine(put?.summaries ?? [])])
  for (const id of drop?.summaries ?? []) after.delete(id)
  return after
}
