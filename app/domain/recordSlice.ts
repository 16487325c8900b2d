import { createEntityAdapter, createSlice, type PayloadAction } from '@reduxjs/toolkit'

/** A slice of records mirrored from the database: loaded at once, put one or more at a time. */
export function recordSlice<T extends { readonly id: string }>(name: string) {
  const adapter = createEntityAdapter<T>()
  const slice = createSlice({
    name,
    initialState: adapter.getInitialState(),
    reducers: {
      put: (state, action: PayloadAction<readonly T[]>) => {
        adapter.upsertMany(state as ReturnType<typeof adapter.getInitialState>, action.payload)
      },
    },
  })
  return { slice, selectors: adapter.getSelectors() }
}
