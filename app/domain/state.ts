import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit'
import { draftsSlice } from './drafts'
import { enginesSlice } from './engines'
import { entriesSlice } from './entries'
import type { Env } from './env'
import { jobsSlice } from './jobs'
import { metaSlice } from './meta'
import { screenSlice } from './screen'
import { sheetsSlice } from './sheets'

export const reducers = {
  engines: enginesSlice.reducer,
  sheets: sheetsSlice.reducer,
  jobs: jobsSlice.reducer,
  entries: entriesSlice.reducer,
  drafts: draftsSlice.reducer,
  meta: metaSlice.reducer,
  screen: screenSlice.reducer,
}

export type RootState = { readonly [K in keyof typeof reducers]: ReturnType<(typeof reducers)[K]> }
export type AppThunk<R = Promise<void>> = ThunkAction<R, RootState, Env, UnknownAction>
