import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { DraftRow } from '../env'

/** What is typed in a field and not yet accepted, kept per field. */
export const draftsSlice = createSlice({
  name: 'drafts',
  initialState: {} as Readonly<Record<string, string>>,
  reducers: {
    loaded: (_state, action: PayloadAction<readonly DraftRow[]>) =>
      Object.fromEntries(action.payload.map(({ id, text }) => [id, text])),
    typed: (state, action: PayloadAction<DraftRow>) => ({ ...state, [action.payload.id]: action.payload.text }),
    dropped: (state, action: PayloadAction<readonly string[]>) =>
      Object.fromEntries(Object.entries(state).filter(([id]) => !action.payload.includes(id))),
  },
})
