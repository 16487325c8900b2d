import { handAtDriveEnd, leadOrder, orderServed } from '@link-count/core/followers'
import type { BuildSheet, Follower } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { otherHand } from '@link-count/core/units'
import { Cap } from './Cap'

/** The leads of a magneto or distributor as they belong, by the firing order; or that it is not known. */
export function CapOf({ sheet, follower }: { readonly sheet: BuildSheet; readonly follower: Follower }) {
  const order = orderServed(sheet, follower)
  const first = follower.wanted?.cylinderId ?? sheet.zeroCylinderId
  const hand = handAtDriveEnd(sheet, follower)
  if (!order)
    return <p className="soft">The firing order is not on the build sheet, so the leads cannot be laid by it.</p>
  return (
    <Cap
      leads={leadOrder(order, order.includes(first) ? first : (order[0] ?? ''))}
      names={(id) => partsOf(sheet).cylinder(id)?.name ?? id}
      hand={hand && otherHand(hand)}
    />
  )
}
