import { tighteningOf } from '@link-count/core/fasteners'
import type { JobState } from '@link-count/core/ledger'
import type { BoltGroup, EntryOf, ItemKind, NewEntry } from '@link-count/core/model'
import { inSentence } from '../../../../ui/wording'

type Did = EntryOf<'bolt'>['did']

/** What bolts that are not tight stand on the register as: those of the drive keep the crank from being turned far. */
const looseAs = ({ on }: BoltGroup): ItemKind =>
  on === 'cap' ? 'capsLoose' : on === 'sprocket' || on === 'flywheel' ? 'fingerTight' : 'notTight'

const looseId = ({ id }: BoltGroup) => `bolts-${id}`.slice(0, 64)
const tabsId = ({ id }: BoltGroup) => `tabs-${id}`.slice(0, 64)

const onRegister = (state: Pick<JobState, 'register'>, itemId: string) =>
  state.register.some((one) => one.itemId === itemId)

/** Whether bolts stand on the register as not tight. */
export const standLoose = (group: BoltGroup, state: Pick<JobState, 'register'>) => onRegister(state, looseId(group))

function looseLine(group: BoltGroup, change: 'in' | 'out'): NewEntry {
  return {
    kind: 'item',
    itemId: looseId(group),
    item: looseAs(group),
    where: inSentence(group.name),
    change,
    ...(change === 'out' ? { boltGroupId: group.id } : {}),
  }
}

/** Their tightening begun, or all of them loosened: they stand on the register as not tight. */
export const begunLines = (
  group: BoltGroup,
  state: JobState,
  line: Pick<EntryOf<'boltGroup'>, 'change' | 'boltsAre' | 'counterHeld'>,
): NewEntry[] => [
  { kind: 'boltGroup', groupId: group.id, ...line },
  // Said again while it is in, so that another device's "tight" that did not know of it is no last word.
  ...(line.change === 'loosened' || !onRegister(state, looseId(group)) ? [looseLine(group, 'in')] : []),
]

/** One bolt at one stage; with the last of them they are tight, and tabs have still to be bent. */
export function boltLines(
  group: BoltGroup,
  state: JobState,
  { boltId, pass, did, newBolt }: { boltId: string; pass: number; did: Did; newBolt?: true },
): NewEntry[] {
  const said: NewEntry = { kind: 'bolt', groupId: group.id, boltId, pass, did, ...(newBolt ? { newBolt } : {}) }
  const { through, passes } = tighteningOf(group, state)
  const isThrough = did !== 'slackened' && did !== 'paintNotTurned'
  const left = group.bolts.reduce((sum, { id }) => {
    const done = through.get(id)?.size ?? 0
    const now = id === boltId && isThrough && !through.get(id)?.has(pass) ? 1 : 0
    return sum + passes.length - done - now
  }, 0)
  if (did === 'slackened') return [said, looseLine(group, 'in')]
  if (left > 0) return [said]
  return [
    said,
    ...(onRegister(state, looseId(group)) ? [looseLine(group, 'out')] : []),
    ...(group.lockedBy === 'tab' && !onRegister(state, tabsId(group)) ? [tabsLine(group, 'in')] : []),
  ]
}

const tabsLine = (group: BoltGroup, change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: tabsId(group),
  item: 'tabsNotBent',
  where: inSentence(group.name),
  change,
})

/** The tabs bent, where they stand on the register as not bent. */
export const tabsBent = (group: BoltGroup, state: JobState): NewEntry | undefined =>
  onRegister(state, tabsId(group)) ? tabsLine(group, 'out') : undefined
