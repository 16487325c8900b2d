import { removalsOf, toRefit } from '../../removals'
import type { StepKindRecord } from './step'

/** What comes off, in its order: begun as soon as something did. */
export const gettingIn: StepKindRecord = {
  targets: () => [[]],
  needs: ['madeSafe'],
  gives: [],
  evidence: ({ state }) => (removalsOf(state).length > 0 ? 'read' : 'none'),
}

/** What came off, put back: all of it, or left off on purpose. */
export const gettingBack: StepKindRecord = {
  targets: () => [[]],
  needs: ['madeSafe'],
  gives: [],
  evidence: ({ state }) => {
    const removals = removalsOf(state)
    const left = toRefit(removals).length
    return removals.length === 0 || left === removals.length ? 'none' : left > 0 ? 'part' : 'read'
  },
}
