import { sharedLateness } from '@link-count/core/followers'
import type { Follower } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { inSentence } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** How late it was found beside the camshafts on its chain or belt: what they share, and what is its own. */
export function Shared({ follower }: { readonly follower: Follower }) {
  const { sheet, state } = useBench().view
  const shared = sharedLateness(sheet, state, follower)
  if (!shared) return null
  const parts = partsOf(sheet)
  const [first] = shared.cams
  const loop = inSentence(parts.loop(first?.loopId ?? '')?.name ?? 'chain')
  const cams = shared.cams
    .map(
      ({ shaftId, latenessDeg }) =>
        `the ${inSentence(parts.shaft(shaftId)?.name ?? '')} ${formatLateness(latenessDeg)}`,
    )
    .join(', ')
  const sure = Math.abs(shared.ownDeg) > shared.ownPlusMinusDeg
  return (
    <p>
      As found it was {formatLateness(shared.latenessDeg)} at the crank, {cams}. What they share comes of the {loop}:{' '}
      {formatLateness(shared.commonDeg)}. Its own is {fixed(Math.abs(shared.ownDeg), 1)}°{' '}
      {shared.ownDeg >= 0 ? 'more' : 'less'} ± {fixed(shared.ownPlusMinusDeg, 1)}°
      {sure ? ': its coupling, its slots or wear of its own.' : ', which may be nothing.'}
    </p>
  )
}
