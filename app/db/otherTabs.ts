import type { Batch } from '../domain/env'

/** What a tab tells the others: the number of a batch that is stored now, and the batch. */
export type Told =
  | { readonly revision: number; readonly batch: Batch }
  /** It is too large to be told: what is stored is read anew. */
  | { readonly revision: number; readonly anew: true }

export interface OtherTabs {
  readonly tell: (told: Told) => void
  readonly listen: (hear: (told: Told) => void) => void
  readonly close: () => void
}

/** The other tabs of a workshop. A browser without channels has none to tell: its tabs catch up when they are looked at or write. */
export function openOtherTabs(name: string): OtherTabs {
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(name)
  return {
    tell: (told) => channel?.postMessage(told),
    listen: (hear) => {
      if (channel) channel.onmessage = ({ data }: MessageEvent<Told>) => hear(data)
    },
    close: () => channel?.close(),
  }
}
