import { allOf } from '../../ledger'
import type { StepKindRecord } from './step'

/** What it does that it should not, what could be behind that, and the cheapest reading that tells. */
export const symptoms: StepKindRecord = {
  targets: () => [[]],
  needs: [],
  gives: ['asked'],
  evidence: ({ state }) => {
    const there = allOf(state, 'symptom').some(({ is }) => is === 'there')
    if (!there) return 'none'
    return allOf(state, 'causeSettled').some(({ is }) => is === 'found') ? 'proved' : 'read'
  },
}
