import { allOf } from '../../ledger'
import type { StepKindRecord } from './step'

/** How far each chain has grown, and what that and the lateness found say together. */
export const wear: StepKindRecord = {
  targets: ({ loops }) => (loops.length > 0 ? [loops.map(({ id }) => id)] : []),
  needs: ['madeSafe', 'timingFound'],
  gives: ['worn'],
  phase: 'found',
  evidence: ({ state, targetIds }) => {
    const measured = new Set(allOf(state, 'chainLength').map(({ loopId }) => loopId))
    const judged = new Set(allOf(state, 'finding').map(({ partId }) => partId))
    const n = targetIds.filter((id) => measured.has(id) || judged.has(id)).length
    return n === 0 ? 'none' : n < targetIds.length ? 'part' : 'read'
  },
}
