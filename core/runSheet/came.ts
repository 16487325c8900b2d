import { readDrive } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'

/** What an engine came in without. */
export interface Came {
  readonly loopOff: (loopId: string) => boolean
  readonly camshaftOut: (shaftId: string) => boolean
  readonly headOff: (bankId: string) => boolean
  /** Nothing of the drive holds a camshaft to the crank any more: it was off, or the camshaft out, when it came. */
  readonly undriven: (shaftId: string) => boolean
}

/** What an engine came in without, from its job. */
export function cameIn(sheet: BuildSheet, { arrival, without = [] }: Pick<Job, 'arrival' | 'without'>): Came {
  const parts = new Set(without)
  const loopOff = (id: string) => arrival === 'everyLoopOff' || arrival === 'bareBlock' || parts.has(id)
  const headOff = (id: string) => arrival === 'bareBlock' || parts.has(id)
  const camshaftOut = (id: string) => arrival === 'bareBlock' || parts.has(id)
  return {
    loopOff,
    camshaftOut,
    headOff,
    undriven: (shaftId) =>
      camshaftOut(shaftId) || (readDrive(sheet).holdsBy(shaftId) ?? sheet.loops).some(({ id }) => loopOff(id)),
  }
}
