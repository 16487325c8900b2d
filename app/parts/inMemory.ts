import type { Env } from '../domain/env'

/** An outside that stores nothing: parts are looked at, not worked with. */
export const inMemory: Env = {
  commit: async (make) => void make(),
  takeIn: async () => undefined,
  openEngine: async () => undefined,
  noteTyped: () => undefined,
  readPicture: async () => undefined,
  now: () => '2026-01-01T08:00:00.000Z',
  newId: () => 'id',
}
