import { createAction } from '@reduxjs/toolkit'
import type { BuildSheet, Entry } from '@link-count/core/model'
import type { Batch, Rows } from './env'

/** A batch that is stored now, by this tab or another. */
export const written = createAction<Batch>('written')

/** The build sheets and the ledgers of one engine. */
export interface EngineRows {
  readonly engineId: string
  readonly jobIds: readonly string[]
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
}

/** What the list of engines needs, and the engines that are open, read anew: it takes the place of what the state held. */
export const loaded = createAction<Rows & { readonly opened?: readonly EngineRows[] }>('loaded')

/** They were read for a page that was opened. */
export const engineRead = createAction<EngineRows>('engineRead')
