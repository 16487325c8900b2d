import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { partsOf } from '../sheet'
import { shaftOfRead } from './camWitnesses'
import type { JobSoFar } from './jobSoFar'
import { keep } from './kinds/kind'

/* What work on the drive does to what was read and counted in a job: as found stays true, the rest is stale once what it spoke of was moved. */

/** What was read of these camshafts since the strip is stale. */
export function dropStaleReadings(soFar: JobSoFar, sheet: BuildSheet, shaftIds: readonly string[]): void {
  soFar.camReads = soFar.camReads.filter(
    (read) => read.phase === 'found' || !shaftIds.includes(shaftOfRead(sheet, read) ?? ''),
  )
}

/** A loop that was moved makes every reading of the cams since the strip stale, and the counts that end on the wheel it was moved
 *  over; one that came off or went on makes all of its counts stale. What was read as found stays true. */
export function forgetLaterReadings(
  soFar: JobSoFar,
  sheet: BuildSheet,
  moved: EntryOf<'loop'> | EntryOf<'moved'>,
): void {
  const onWheel = (markId: string) =>
    moved.kind === 'loop' || sheet.marks.some(({ id, memberId }) => id === markId && memberId === moved.memberId)
  const stale = ({ loopId, phase, fromMarkId, toMarkId }: EntryOf<'count'>) =>
    phase !== 'found' && loopId === moved.loopId && (onWheel(fromMarkId) || onWheel(toMarkId))
  soFar.counts = soFar.counts.filter((count) => !stale(count))
  soFar.camReads = soFar.camReads.filter(({ phase }) => phase === 'found')
  forgetPaint(soFar, sheet, moved)
}

/** A painted link stands for the tooth it lies on no longer than it lies there. */
function forgetPaint(soFar: JobSoFar, sheet: BuildSheet, moved: EntryOf<'loop'> | EntryOf<'moved'>): void {
  const path = partsOf(sheet).loop(moved.loopId)?.path ?? []
  const liftsOff = (markId: string) => {
    const on = partsOf(sheet).mark(markId)?.memberId
    return moved.kind === 'moved' ? on === moved.memberId : path.some(({ memberId }) => memberId === on)
  }
  for (const [markId, said] of soFar.kept.markHidden ?? [])
    if (said.is === 'painted' && liftsOff(markId)) keep<'markHidden'>(() => markId)(soFar, { ...said, is: 'hidden' })
}

/** Teeth counted between two gears since the strip are stale: of one mesh, or of all. */
export function forgetMeshCounts(soFar: JobSoFar, couplingId?: string): void {
  const stale = (count: EntryOf<'meshCount'>) =>
    count.phase !== 'found' && (couplingId === undefined || count.couplingId === couplingId)
  const still = [...(soFar.kept.meshCount ?? [])].filter(([, count]) => !stale(count))
  soFar.kept = { ...soFar.kept, meshCount: new Map(still) }
}

/** Nothing that was read or counted since the strip holds any more. */
export function forgetReadings(soFar: JobSoFar): void {
  forgetMeshCounts(soFar)
  soFar.camReads = soFar.camReads.filter(({ phase }) => phase === 'found')
  soFar.counts = soFar.counts.filter(({ phase }) => phase === 'found')
}
