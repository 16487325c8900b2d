import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit'
import { draftsSlice } from './drafts'
import { enginesSlice } from './engines'
import type { Env } from './env'
import { jobsSlice } from './jobs'
import { metaSlice } from './meta'
import { openedReducer } from './opened'
import { screenSlice } from './screen'
import { summariesReducer } from './summaries'

export const reducers = {
  engines: enginesSlice.reducer,
  jobs: jobsSlice.reducer,
  drafts: draftsSlice.reducer,
  meta: metaSlice.reducer,
  opened: openedReducer,
  summaries: summariesReducer,
  screen: screenSlice.reducer,
}

export type RootState = { readonly [K in keyof typeof reducers]: ReturnType<(typeof reducers)[K]> }
export type AppThunk<R = Promise<void>> = ThunkAction<R, RootState, Env, UnknownAction>
