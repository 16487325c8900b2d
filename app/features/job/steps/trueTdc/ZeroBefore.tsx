import { fixed } from '@link-count/core/units'
import { wheelAsSeen } from '../../../../ui/job'
import { useBench } from '../../JobContext'

/** Until it is read in this job: what an earlier one found, and that it is in doubt. */
export function ZeroBefore() {
  const { state, labels } = useBench().view
  const { zero, zeroBefore } = state
  if (zero || !zeroBefore) return null
  const found = wheelAsSeen(zeroBefore.zero.wheelDeg, { degreeWheel: zeroBefore.scale }, 2)
  return (
    <p className="warn">
      Job {labels.get(zeroBefore.jobId)} found it at <span className="reading">{found}</span> ±{' '}
      {fixed(zeroBefore.zero.plusMinusDeg, 2)}°. It is in doubt: wheel or pointer may have moved since. Read it again.
    </p>
  )
}
