import type { RootState } from './state'

/** What this browser is called in entries; given when a workshop is opened for the first time. */
export const deviceOf = ({ meta }: RootState): string => meta['device'] ?? 'd-unnamed'
export const newDevice = (newId: () => string) => `d-${newId().slice(0, 10)}`
