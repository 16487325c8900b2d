import { createEntityAdapter, createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Entry } from '@link-count/core/model'

const adapter = createEntityAdapter<Entry>()

/** Entries are added and never changed: there is no update action, and undo is one more entry. */
export const entriesSlice = createSlice({
  name: 'entries',
  initialState: adapter.getInitialState(),
  reducers: {
    put: (state, action: PayloadAction<readonly Entry[]>) => {
      adapter.addMany(state as ReturnType<typeof adapter.getInitialState>, action.payload)
    },
  },
})
export const entrySelectors = adapter.getSelectors()
