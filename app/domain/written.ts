import { createAction } from '@reduxjs/toolkit'
import type { Batch, Rows } from './env'

/** A batch that is stored now, by this tab or another. */
export const written = createAction<Batch>('written')

/** Everything that is stored, read anew: it takes the place of what the state held. */
export const loaded = createAction<Rows>('loaded')
