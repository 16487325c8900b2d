import type { Batch } from '../domain/env'

/** What a tab tells the others: a batch that is stored now, and its number. */
export interface Told {
  readonly revision: number
  readonly batch: Batch
}

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
