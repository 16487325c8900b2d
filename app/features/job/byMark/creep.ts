import { crankMarkOf } from '@link-count/core/byMark'
import type { EntryOf, NewEntry } from '@link-count/core/model'
import { wrapToSigned } from '@link-count/core/units'
import type { JobView } from '../../../domain/views'

/** Less than this nobody sees, degrees. */
const SEEN_DEG = 0.25
/** Further than this it was turned, and did not creep. */
const MOST_DEG = 45

/** What a look at the crank says for the ledger: that it has moved by so much since it was last known, and where it stands by its mark. Nothing where it is at
 *  the place that is written already. */
export function creepEntries(
  { sheet, state }: Pick<JobView, 'sheet' | 'state'>,
  crank: EntryOf<'camAtMark'>['crank'],
  stepId: string,
): NewEntry[] {
  const mark = crank.by === 'mark' ? crankMarkOf(sheet, crank.markId) : undefined
  const { reference, totalDeg } = state.stand.rotation
  const lookedAt = crank.by === 'wheel' ? crank.wheelDeg - (state.zero?.wheelDeg ?? 0) : undefined
  const placeDeg = crank.by === 'mark' ? mark && mark.placeDeg + crank.offDeg : lookedAt
  if (placeDeg === undefined) return []
  const movedDeg = reference ? wrapToSigned(placeDeg - reference.originDeg - totalDeg, 360) : 0
  const moved = Math.abs(movedDeg) >= SEEN_DEG && Math.abs(movedDeg) <= MOST_DEG
  const wheel = crank.by === 'wheel' ? { wheelDeg: crank.wheelDeg } : {}
  const byMark = reference?.byMark?.markId
  // Seen further away than it can have crept, it is said all the same: the ledger then tells that its turns do not lead there.
  const far = Math.abs(movedDeg) > MOST_DEG
  const isWritten =
    reference !== undefined && !moved && !far && (crank.by === 'wheel' || byMark === crank.markId || !byMark)
  return [
    ...(moved || (far && crank.by === 'wheel')
      ? [{ kind: 'turned' as const, deg: moved ? movedDeg : 0, ended: 'short' as const, ...wheel, stepId }]
      : []),
    ...(crank.by === 'mark' && !isWritten
      ? [
          {
            kind: 'stands' as const,
            place: 'mark' as const,
            cylinderId: sheet.zeroCylinderId,
            markId: crank.markId,
            offDeg: crank.offDeg,
            stepId,
          },
        ]
      : []),
  ]
}

/** How far the crank stands past a place of the cycle, by the ledger; undefined where that is not known, or nothing to speak of. */
export function pastPlace({ sheet, state }: Pick<JobView, 'sheet' | 'state'>, placeDeg: number): number | undefined {
  const { deg } = state.crank
  const { reference, totalDeg } = state.stand.rotation
  const at = deg ?? (reference && reference.originDeg + totalDeg)
  if (at === undefined) return undefined
  const past = wrapToSigned(at - placeDeg, deg === undefined ? 360 : sheet.cycleDeg)
  return Math.abs(past) < 0.5 || Math.abs(past) > MOST_DEG ? undefined : past
}
