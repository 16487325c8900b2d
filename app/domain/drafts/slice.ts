import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { DraftRow } from '../env'
import { loaded, written } from '../written'

type Drafts = Readonly<Record<string, string>>
const draftsOf = (entries: Iterable<readonly [string, string]>): Drafts =>
  Object.assign(Object.create(null) as object, Object.fromEntries(entries)) as Drafts

/** What is typed in a field and not yet accepted, kept per field. What is typed is on the screen before it is stored. */
export const draftsSlice = createSlice({
  name: 'drafts',
  initialState: draftsOf([]),
  reducers: {
    typed: (state, { payload: { id, text } }: PayloadAction<DraftRow>) =>
      draftsOf([...Object.entries(state), [id, text]]),
    dropped: (state, { payload }: PayloadAction<readonly string[]>) =>
      draftsOf(Object.entries(state).filter(([id]) => !payload.includes(id))),
  },
  extraReducers: (builder) =>
    builder
      .addCase(written, (state, { payload: { taken = [] } }) =>
        taken.length === 0
          ? state
          : draftsOf(
              Object.entries(state).filter(([id, text]) => !taken.some((one) => one.id === id && one.text === text)),
            ),
      )
      // What this tab has on the screen is newer than what it stored of it.
      .addCase(loaded, (state, { payload }) =>
        draftsOf([...(payload.drafts ?? []).map(({ id, text }) => [id, text] as const), ...Object.entries(state)]),
      ),
})
