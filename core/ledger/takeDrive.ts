import { byId } from '../byId'
import { shaftsBehind } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { shaftOfRead } from './camWitnesses'
import type { Draft } from './draft'
import type { TensionerState } from './state'

/* What work on the drive does to what was read and counted in a job: as found stays true, the rest is stale once what it spoke of was moved. */

export function takeDrive(
  draft: Draft,
  entry: EntryOf<'loop'> | EntryOf<'moved'> | EntryOf<'count'> | EntryOf<'coupling'> | EntryOf<'adjusted'>,
  sheet: BuildSheet,
): void {
  switch (entry.kind) {
    case 'count':
      if (sheet.loops.some(({ id }) => id === entry.loopId)) draft.counts.push(entry)
      return
    case 'moved':
      if (!sheet.loops.some(({ id }) => id === entry.loopId)) return
      draft.moves.push(entry)
      return forgetLaterReadings(draft, sheet, entry)
    case 'loop':
      if (sheet.loops.some(({ id }) => id === entry.loopId)) forgetLaterReadings(draft, sheet, entry)
      return
    case 'coupling': {
      // Every shaft behind it was let loose.
      if (!sheet.couplings.some(({ id }) => id === entry.couplingId)) return
      draft.coupled.push(entry)
      const behind = shaftsBehind(sheet, entry.couplingId)
      dropStaleReadings(draft, sheet, behind)
      draft.camSet = byId(Object.entries(draft.camSet).filter(([shaftId]) => !behind.includes(shaftId)))
      return
    }
    case 'adjusted':
      // A wheel set otherwise on its shaft: its loops want counting by other figures.
      draft.adjusted.push(entry)
      draft.camReads = draft.camReads.filter(({ phase }) => phase === 'found')
      draft.counts = draft.counts.filter(({ phase }) => phase === 'found')
  }
}

/** What was read of these camshafts since the strip is stale. */
export function dropStaleReadings(draft: Draft, sheet: BuildSheet, shaftIds: readonly string[]): void {
  draft.camReads = draft.camReads.filter(
    (read) => read.phase === 'found' || !shaftIds.includes(shaftOfRead(sheet, read) ?? ''),
  )
}

/** A loop that was moved makes every reading of the cams since the strip stale, and the counts that end on the wheel it was moved
 *  over; one that came off or went on makes all of its counts stale. What was read as found stays true. */
function forgetLaterReadings(draft: Draft, sheet: BuildSheet, moved: EntryOf<'loop'> | EntryOf<'moved'>): void {
  const onWheel = (markId: string) =>
    moved.kind === 'loop' || sheet.marks.some(({ id, memberId }) => id === markId && memberId === moved.memberId)
  const stale = ({ loopId, phase, fromMarkId, toMarkId }: EntryOf<'count'>) =>
    phase !== 'found' && loopId === moved.loopId && (onWheel(fromMarkId) || onWheel(toMarkId))
  draft.counts = draft.counts.filter((count) => !stale(count))
  draft.camReads = draft.camReads.filter(({ phase }) => phase === 'found')
}

export const isReleased = (state: TensionerState) => state === 'asArrived' || state === 'released' || state === 'proven'
