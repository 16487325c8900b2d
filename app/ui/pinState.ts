import type { StepStatus } from '@link-count/core/runSheet'
import type { PinState } from '../domain/summaries'

/** A step as a pin: ink when done, half when only read, struck through when passed over, blue when in hand. */
export function pinState(status: StepStatus, inHand: boolean): PinState {
  if (status.outcome === 'cannot' || status.outcome === 'skipped') return 'passed'
  if (status.outcome === 'done') return status.evidence === 'proved' ? 'done' : 'read'
  return inHand ? 'hand' : 'open'
}
