import { registerItems, type Stand } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { GuardReason } from './guard'
import { trimAround } from './room'

/** What everything on the register does to turning the crank. */
export const registerReasons = (sheet: BuildSheet, stand: Stand): GuardReason[] =>
  stand.register.flatMap((item): GuardReason[] => {
    const { itemId, item: kind, totalDeg } = item
    const { turning, reason: code, until } = registerItems[kind]
    const reason = { code, targetId: itemId, item }
    const twoWays = stand.disputes.some(({ about, id }) => about === 'item' && id === itemId)
    const said: GuardReason[] =
      turning === 'gently'
        ? [{ ...reason, verdict: 'trim', ...(until ? { until } : {}) }]
        : turning === 'trim'
          ? [{ ...reason, ...trimAround(sheet, stand, totalDeg) }]
          : [{ ...reason, verdict: turning }]
    return twoWays ? [{ ...reason, code: 'itemSaidTwoWays', verdict: 'unknown' }, ...said] : said
  })
