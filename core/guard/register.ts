import type { RegisterItem, Stand } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { GuardReason, GuardReasonCode, GuardVerdict } from './guard'
import { trimAround } from './room'

const codeOfItem: Partial<Record<RegisterItem['item'], GuardReasonCode>> = {
  stop: 'stopIn',
  dialRod: 'rodIn',
  probe: 'rodIn',
  lockingPin: 'lockIn',
  lock: 'lockIn',
  capsLoose: 'capsLoose',
}

/** `trim`: a few degrees round where the crank stood when it went in. */
const holds: Record<RegisterItem['item'], GuardVerdict | 'gently'> = {
  stop: 'gently',
  dialRod: 'gently',
  probe: 'gently',
  lockingPin: 'doNotTurn',
  lock: 'doNotTurn',
  capsLoose: 'doNotTurn',
  tensionerPin: 'trim',
  rag: 'trim',
  tie: 'trim',
  fingerTight: 'trim',
  tabsNotBent: 'turn',
  valvesRelieved: 'turn',
  other: 'trim',
}

/** What everything on the register does to turning the crank. */
export const registerReasons = (sheet: BuildSheet, stand: Stand): GuardReason[] =>
  stand.register.flatMap((item): GuardReason[] => {
    const { itemId, item: kind, totalDeg } = item
    const held = holds[kind]
    const reason = { code: codeOfItem[kind] ?? ('itemIn' as const), targetId: itemId, item }
    const twoWays = stand.disputes.some(({ about, id }) => about === 'item' && id === itemId)
    const said: GuardReason[] =
      held === 'gently'
        ? [{ ...reason, verdict: 'trim', until: kind === 'stop' ? 'stop' : 'reading' }]
        : held === 'trim'
          ? [{ ...reason, ...trimAround(sheet, stand, totalDeg) }]
          : [{ ...reason, verdict: held }]
    return twoWays ? [{ ...reason, code: 'itemSaidTwoWays', verdict: 'unknown' }, ...said] : said
  })
