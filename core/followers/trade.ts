import type { BuildSheet, Follower } from '../model/buildSheet'
import type { FollowerKind } from '../model/followers'

const FUEL: readonly FollowerKind[] = ['inLinePump', 'distributorPump', 'singlePumps']

export type FollowerTrade = 'fuel' | 'spark'
export const tradeOf = ({ kind }: Pick<Follower, 'kind'>): FollowerTrade => (FUEL.includes(kind) ? 'fuel' : 'spark')

/** What of a trade follows the cams on an engine. */
export const followersOf = ({ followers }: BuildSheet, trade: FollowerTrade): readonly Follower[] =>
  (followers ?? []).filter((one) => tradeOf(one) === trade)

/** The cylinders that are read one by one: those of single pumps; of the others one says it for all. */
export const cylindersRead = ({ kind, outlets }: Follower): readonly (string | undefined)[] =>
  kind === 'singlePumps' ? [...new Set(outlets.map(({ cylinderId }) => cylinderId))] : [undefined]

/** Shafts of a pump or magneto on which nothing was written down yet: each is offered, and none made in silence. */
export const shaftsToOffer = ({ shafts, followers }: BuildSheet) =>
  shafts.filter(
    ({ id, kind }) => (kind === 'pump' || kind === 'magneto') && !followers?.some(({ shaftId }) => shaftId === id),
  )
