import { configureStore } from '@reduxjs/toolkit'
import type { Env } from '../domain/env'
import { reducers } from '../domain/state'

/** One store per open workshop. */
export const makeStore = (env: Env) =>
  configureStore({
    reducer: reducers,
    middleware: (defaults) =>
      defaults({ thunk: { extraArgument: env }, serializableCheck: false, immutableCheck: false }),
    devTools: false,
  })

export type AppStore = ReturnType<typeof makeStore>
export type AppDispatch = AppStore['dispatch']
