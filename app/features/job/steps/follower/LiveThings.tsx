import { Button } from '@mantine/core'
import { tradeOf, type FollowerAim } from '@link-count/core/followers'
import type { Follower, NewEntry } from '@link-count/core/model'
import { followerCautions, inSentence } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { liveId, type Live } from './liveId'

/** What has to be live or held out for a reading, on the register until it is made safe again. */
export function LiveThings({ follower, aim }: { readonly follower: Follower; readonly aim: FollowerAim | undefined }) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const id = (item: Live) => liveId(item, follower)
  const isIn = (item: Live) => state.register.some(({ itemId }) => itemId === id(item))
  const change = (item: Live): NewEntry => ({
    kind: 'item',
    itemId: id(item),
    item,
    where: inSentence(follower.name),
    change: isIn(item) ? 'out' : 'in',
  })
  const spill = tradeOf(follower) === 'fuel'
  // A lift wants nothing live.
  if (spill && (aim === undefined || aim.by === 'lift')) return null
  const live: Live = spill ? 'fuelAtPressure' : follower.kind === 'magneto' ? 'earthOff' : 'ignitionOn'
  const words: Readonly<Record<Live, readonly [string, string]>> = {
    pawlsOut: ['Pawls are held out', 'Pawls are free again'],
    earthOff: ['Earth wire is off, for the lamp', 'Earth wire is on again'],
    ignitionOn: ['Ignition is on, for the lamp', 'Ignition is off again'],
    fuelAtPressure: ['Fuel stands at feed pressure', 'Fuel is shut again'],
  }
  const toggle = (item: Live) => (
    <Button variant="default" onClick={() => void say(change(item))}>
      {words[item][isIn(item) ? 1 : 0]}
    </Button>
  )
  return (
    <>
      {sheet.starting === 'hand' && follower.kind === 'magneto' && isIn('earthOff') && (
        <p className="caution">It is live: nobody swings it.</p>
      )}
      <div className="row">
        {follower.impulse && toggle('pawlsOut')}
        {toggle(live)}
      </div>
      {isIn(live) && (
        <p className="caution">
          {
            {
              fuelAtPressure: followerCautions.spill,
              earthOff: followerCautions.lamp,
              ignitionOn: followerCautions.coil,
            }[live]
          }
        </p>
      )}
    </>
  )
}
