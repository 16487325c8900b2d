import { createSlice } from '@reduxjs/toolkit'
import type { MetaRow } from '../env'
import { loaded, written } from '../written'

export const metaIndexes = 'id'

const put = (state: Readonly<Record<string, string>>, rows: readonly MetaRow[] = []) => ({
  ...state,
  ...Object.fromEntries(rows.map(({ id, value }) => [id, value])),
})

/** Small facts about this workshop: what this device is called, when it was last saved to a file and how many records it had then. */
export const metaSlice = createSlice({
  name: 'meta',
  initialState: {} as Readonly<Record<string, string>>,
  reducers: {},
  extraReducers: (builder) =>
    builder
      .addCase(written, (state, { payload }) => put(state, payload.put?.meta))
      .addCase(loaded, (_state, { payload }) => put({}, payload.meta)),
})
