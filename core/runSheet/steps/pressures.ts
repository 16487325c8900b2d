import { allOf } from '../../ledger'
import { noCompressionSays } from './hindrances'
import type { StepKindRecord } from './step'

/** What each cylinder holds; after lash and timing, or it misleads. */
export const pressures: StepKindRecord = {
  targets: ({ cylinders }) => [cylinders.map(({ id }) => id)],
  needs: ['madeSafe', 'lashFound', 'timingFound', 'worn', 'timingLeft', 'lashLeft'],
  gives: ['pressed'],
  evidence: ({ state, targetIds }) => {
    const read = new Set(allOf(state, 'pressure').map(({ cylinderId }) => cylinderId))
    const n = targetIds.filter((id) => read.has(id)).length
    return n === 0 ? 'none' : n < targetIds.length ? 'part' : 'read'
  },
  hindrance: noCompressionSays,
}
