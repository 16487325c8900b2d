import type { BuildSheet, Entry, ItemKind, NewEntry } from '../model'

/* What a walk puts in, takes out and leaves loose. */

export type Pick = <T>(list: readonly T[]) => T
export type Step = () => NewEntry[]

/** What the steps of one moment are drawn from. */
export interface Moment {
  readonly sheet: BuildSheet
  readonly pick: Pick
  readonly loop: BuildSheet['loops'][number]
  readonly driven: string
  readonly shaftId: string
  readonly tensioners: readonly string[]
  readonly coupling: BuildSheet['couplings'][number] | undefined
  readonly spoken: Entry | undefined
  /** What was worked on before a sheet was drawn anew may be on it no more. */
  readonly everLoops: readonly string[]
  readonly everItems: readonly string[]
}

/** Things of other work than the drive: some let it be turned a little, some as it likes. */
const OTHERS: readonly ItemKind[] = [
  'towel',
  'magnet',
  'notTight',
  'toBeChanged',
  'airShut',
  'batteryOff',
  'fuelShut',
  'oilShut',
  'turningGear',
  'startBlocked',
  'magnetoEarthed',
  'propellerHeld',
  'earthOff',
]

const item = (kind: ItemKind, change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: kind,
  item: kind,
  where: '',
  change,
})

function relief({ pick, shaftId }: Moment, change: 'in' | 'out'): NewEntry {
  const whose = pick([
    { itemId: 'relief-all', of: { what: 'all' as const } },
    { itemId: 'relief-all', of: { what: 'all' as const } },
    { itemId: 'relief-cylinder', of: { what: 'cylinder' as const, id: 'cyl-1' } },
    { itemId: `relief-${shaftId}`, of: { what: 'camshaft' as const, id: shaftId } },
    { itemId: 'relief-words', where: 'cylinder 1 inlet only' },
  ])
  return { kind: 'item', item: 'valvesRelieved', where: '', change, ...whose }
}

/** A head off or on, its liners clamped or not, a chain held or taken away. */
function opened({ sheet, pick, loop }: Moment, change: 'in' | 'out'): NewEntry {
  const whose = pick([{ what: 'all' as const }, { what: 'bank' as const, id: sheet.banks[0]?.id ?? '' }])
  const what = pick([
    { itemId: `head-${whose.what}`, item: 'headOff', of: whose },
    { itemId: `head-${whose.what}`, item: 'headOff', of: whose },
    { itemId: 'head-words', item: 'headOff' },
    { itemId: 'liners', item: 'linersClamped', of: whose },
    { itemId: 'held', item: 'heldTaut' },
    { itemId: `away-${loop.id}`, item: 'loopAway', of: { what: 'loop' as const, id: loop.id } },
    { itemId: 'tackle', item: 'tackle' },
    { itemId: 'pressure', item: 'underPressure' },
    { itemId: 'pawls', item: 'pawlsOut' },
    { itemId: 'earth', item: 'earthOff' },
  ] as const)
  return { kind: 'item', where: '', change, ...what } as NewEntry
}

/** A bolt of the cam caps through, or slackened; with the last one they are said to be tight. */
function bolts(pick: Pick): NewEntry[] {
  const cap = { itemId: 'bolts-caps', item: 'capsLoose', where: '' } as const
  const one = { kind: 'bolt', groupId: 'caps', boltId: pick(['b1', 'b2']), pass: 0 } as const
  return pick<NewEntry[]>([
    [{ kind: 'item', ...cap, change: 'in' }],
    [{ ...one, did: 'tightened' }],
    [
      { ...one, did: 'tightened' },
      { kind: 'item', ...cap, change: 'out', boltGroupId: 'caps' },
    ],
    [
      { ...one, did: 'slackened' },
      { kind: 'item', ...cap, change: 'in' },
    ],
  ])
}

/** What is put in and taken out. */
export function itemSteps(moment: Moment): Step[] {
  const { pick } = moment
  return [
    () => [item(pick(['stop', 'rag', 'lock', 'capsLoose', 'tabsNotBent']), pick(['in', 'out', 'out']))],
    () => [item(pick(OTHERS), pick(['in', 'out']))],
    () => OTHERS.map((kind) => item(kind, 'out')),
    () => bolts(pick),
    () => [{ kind: 'item', itemId: 'bolts-caps', item: 'capsLoose', where: '', change: 'out' }],
    () => [item('stop', 'out'), item('rag', 'out'), item('lock', 'out'), item('capsLoose', 'out')],
    () => [relief(moment, 'in')],
    () => [relief(moment, 'out')],
    () => [opened(moment, 'in')],
    () => [opened(moment, pick(['in', 'out']))],
    () => [
      { kind: 'item', itemId: 'tackle', item: 'tackle', where: '', change: 'out' },
      { kind: 'item', itemId: 'pressure', item: 'underPressure', where: '', change: 'out' },
    ],
  ]
}
