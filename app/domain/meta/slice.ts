import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { MetaRow } from '../env'

export const metaIndexes = 'id'

/** Small facts about this workshop: when it was last saved to a file and how many entries it had then. */
export const metaSlice = createSlice({
  name: 'meta',
  initialState: {} as Readonly<Record<string, string>>,
  reducers: {
    put: (state, action: PayloadAction<readonly MetaRow[]>) => ({
      ...state,
      ...Object.fromEntries(action.payload.map(({ id, value }) => [id, value])),
    }),
  },
})
