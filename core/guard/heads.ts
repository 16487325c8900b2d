import { readDrive } from '../drive'
import { isAway, type RegisterItem, type Stand } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { GuardReason } from './guard'

/** What a head that is off, or a camshaft that is out, asks for before the crank turns: wet liners clamped, and a chain or belt that hangs free held or
 *  taken away. Source: handbook 13 and 16. */
export const headReasons = (sheet: BuildSheet, stand: Stand): GuardReason[] => [
  ...linerReasons(sheet, stand),
  ...hangingReasons(sheet, stand),
]

/** Banks that items of a kind speak of; one that says no bank speaks of all. */
function banksOf({ banks }: BuildSheet, stand: Stand, kind: RegisterItem['item']): ReadonlySet<string> {
  const items = stand.register.filter(({ item }) => item === kind)
  return new Set(
    items.flatMap(({ of }) =>
      of?.what === 'bank' ? [of.id] : of && of.what !== 'all' ? [] : banks.map(({ id }) => id),
    ),
  )
}

function linerReasons(sheet: BuildSheet, stand: Stand): GuardReason[] {
  if (!sheet.wetLiners) return []
  const clamped = banksOf(sheet, stand, 'linersClamped')
  return [...banksOf(sheet, stand, 'headOff')]
    .filter((id) => !clamped.has(id))
    .map((targetId) => ({ code: 'linersNotClamped', verdict: 'doNotTurn', targetId }))
}

function hangingReasons(sheet: BuildSheet, stand: Stand): GuardReason[] {
  const map = readDrive(sheet)
  const isHeld = (loopId: string) =>
    stand.register.some(
      ({ item, of }) => (item === 'heldTaut' || item === 'loopAway') && (of?.what !== 'loop' || of.id === loopId),
    )
  return sheet.loops
    .filter(({ id }) => stand.loops.get(id)?.is === 'off' && !isHeld(id))
    .filter(({ id }) => map.behind(id).some((shaftId) => isAway(sheet, stand, shaftId)))
    .map(({ id }) => ({ code: 'loopHangs', verdict: 'doNotTurn', targetId: id }))
}
