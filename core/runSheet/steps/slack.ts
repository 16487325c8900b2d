import { allOf } from '../../ledger'
import type { Phase } from '../../model/entry'
import type { Given, StepKindRecord } from './step'

/** How slack each chain or belt is: as it came, and as it is set before it is turned. */
const slack = (phase: Phase, needs: readonly Given[], gives: readonly Given[]): StepKindRecord => ({
  targets: ({ loops }) => (loops.length > 0 ? [loops.map(({ id }) => id)] : []),
  needs,
  gives,
  phase,
  evidence: ({ state, targetIds }) => {
    const read = new Set(allOf(state, 'slack').flatMap((one) => (one.phase === phase ? [one.loopId] : [])))
    const n = targetIds.filter((id) => read.has(id)).length
    return n === 0 ? 'none' : n < targetIds.length ? 'part' : 'read'
  },
})

export const slackFound = slack('found', ['madeSafe'], ['slackFound'])
export const slackSet = slack('set', ['tight'], ['slackSet'])
