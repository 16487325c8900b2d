import { runningSpark, tradeOf, type FollowerReading } from '@link-count/core/followers'
import type { Follower } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { Figure } from '../../../../ui/Figure'
import { useBench } from '../../JobContext'

/** Where it sparks once it runs: what was seen, the lag that running takes away, and the advance still to come. */
export function RunningSpark({
  follower,
  reading: { entry, beforeDeg },
}: {
  readonly follower: Follower
  readonly reading: FollowerReading
}) {
  const { sheet } = useBench().view
  if (tradeOf(follower) !== 'spark' || beforeDeg === undefined || !(follower.impulse ?? follower.advance)) return null
  const running = runningSpark(sheet, follower, { ...entry, beforeDeg })
  if (!running)
    return <p className="soft">What it runs at is not known: its lag or its advance is not on the build sheet.</p>
  return (
    <p>
      Running it sparks{' '}
      <Figure
        opened={{
          title: 'Running spark',
          value: `${fixed(running.deg, 1)}° before TDC`,
          readings: [
            {
              label: `Seen to let go, ${beforeDeg < 0 ? 'after' : 'before'} TDC`,
              value: `${fixed(Math.abs(beforeDeg), 1)}°`,
            },
            { label: 'Lag of the impulse coupling, at the crank', value: `${fixed(running.lagDeg, 1)}°` },
            { label: 'Advance still to come, at the crank', value: `${fixed(running.advanceDeg, 1)}°` },
          ],
          formula: 'What was seen, and the lag, and the advance still to come.',
          source: 'common practice',
        }}
      >
        {fixed(running.deg, 1)}°
      </Figure>{' '}
      before TDC at the most: seen {fixed(Math.abs(beforeDeg), 1)}° {beforeDeg < 0 ? 'after' : 'before'} it,{' '}
      {fixed(running.lagDeg, 1)}° of lag, {fixed(running.advanceDeg, 1)}° of advance.
    </p>
  )
}
