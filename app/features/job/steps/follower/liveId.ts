import type { Follower } from '@link-count/core/model'

export type Live = 'pawlsOut' | 'earthOff' | 'ignitionOn' | 'fuelAtPressure'

/** What is held out or live for a reading goes on the register under this id; an id holds so many signs. */
export const liveId = (item: Live, { id }: Pick<Follower, 'id'>) => `${item}-${id}`.slice(0, 64)
