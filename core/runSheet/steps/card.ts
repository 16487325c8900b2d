import type { StepKindRecord } from './step'

export const card: StepKindRecord = {
  targets: () => [[]],
  needs: ['madeSafe', 'timingLeft', 'lashLeft'],
  gives: [],
  evidence: ({ state }) => (state.closed ? 'proved' : 'none'),
}
