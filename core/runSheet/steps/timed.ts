import type { Evidence, Looked } from './step'
import { camshaftsOf } from './targets'

/** Whether every camshaft, or every one of these, was read in a phase. */
export const timed =
  (phase: 'found' | 'left') =>
  ({ sheet, state }: Looked, shaftIds: readonly string[] = camshaftsOf(sheet).map(({ id }) => id)): Evidence => {
    const timings = shaftIds.map((id) => state.timing[id]?.[phase])
    if (timings.every((timing) => !timing)) return 'none'
    if (timings.some((timing) => !timing)) return 'part'
    return timings.every((timing) => timing?.proved) ? 'proved' : 'read'
  }
