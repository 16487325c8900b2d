import type { StepKindRecord } from './step'

export const card: StepKindRecord = {
  targets: () => [[]],
  needs: ['madeSafe', 'timingFound', 'lashFound', 'timingLeft', 'lashLeft', 'pressed', 'worn'],
  gives: [],
  evidence: ({ state }) => (state.closed ? 'proved' : 'none'),
}
