import { createEntityAdapter, createSlice, type EntityState } from '@reduxjs/toolkit'
import type { Stored } from './env'
import { loaded, written } from './written'

/** A slice of records mirrored from the database. Its only changes are batches that are stored already. */
export function recordSlice<K extends 'engines' | 'jobs'>(table: K) {
  type T = Stored[K]
  const adapter = createEntityAdapter<T>()
  // Without a prototype: an id is never taken for what every object has.
  const empty = (): EntityState<T, string> => ({ ids: [], entities: Object.create(null) as Record<string, T> })
  const slice = createSlice({
    name: table as string,
    initialState: empty,
    reducers: {},
    extraReducers: (builder) =>
      builder
        .addCase(written, (draft, { payload: { put, drop } }) => {
          const state = draft as EntityState<T, string>
          const rows = put?.[table] as readonly T[] | undefined
          if (rows) adapter.setMany(state, rows)
          const gone = drop?.[table]
          if (gone) adapter.removeMany(state, gone)
        })
        .addCase(loaded, (_draft, { payload }) => adapter.setMany(empty(), (payload[table] ?? []) as readonly T[])),
  })
  return { slice, selectors: adapter.getSelectors() }
}
