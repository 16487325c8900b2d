import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeItem } from '../stand/parts'
import { byTheStand, type LedgerKind } from './kind'

export const itemKind = field.oneOf('What was put in, on or left undone', [
  'stop',
  'dialRod',
  'probe',
  'lockingPin',
  'tensionerPin',
  'rag',
  'tie',
  'lock',
  'capsLoose',
  'fingerTight',
  'tabsNotBent',
  'valvesRelieved',
  'heldTaut',
  'gearPin',
  'headOff',
  'linersClamped',
  'loopAway',
  'underPressure',
  'tackle',
  'pawlsOut',
  'earthOff',
  'ignitionOn',
  'fuelAtPressure',
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
  'other',
])

/** What an item speaks of: whose valves are relieved, whose head is off or liners clamped, which chain is held or taken away. */
export const relief = field.eitherBy('what', [
  field.group({ what: field.exactly('all') }),
  field.group({
    what: field.oneOf('What the id names', ['valve', 'cylinder', 'bank', 'camshaft', 'loop']),
    id: field.id('The valve, cylinder, bank, camshaft, chain or belt'),
  }),
])

export const itemShape = entryShape(
  'item',
  'Something put in, on or left undone, that has to come out or be done: the register',
  {
    itemId: field.id('The thing: it goes out under the id it went in by'),
    item: itemKind,
    where: field.words('Where it is'),
    change: field.oneOf('Put in, or taken out', ['in', 'out']),
    of: relief
      .optional()
      .describe(
        'Whose valves, where they are relieved; whose head, where it is off, or whose liners; which chain or belt; words say nothing of that',
      ),
    boltGroupId: field
      .id(
        'Taken out because each of these bolts was written as through: with one of those lines struck, so is this one',
      )
      .optional(),
  },
)

export type ItemKind = field.ValueOf<typeof itemKind>
export type Relief = field.ValueOf<typeof relief>

export const item: LedgerKind<'item'> = {
  inJob: byTheStand,
  onEngine: takeItem,
  leansOnWheel: false,
  samples: [
    { kind: 'item', itemId: 'stop', item: 'stop', where: '', change: 'in' },
    {
      kind: 'item',
      itemId: 'relief',
      item: 'valvesRelieved',
      where: '',
      change: 'in',
      of: { what: 'cylinder', id: 'cyl-1' },
    },
    { kind: 'item', itemId: 'head', item: 'headOff', where: '', change: 'in', of: { what: 'bank', id: 'bank' } },
    { kind: 'item', itemId: 'liners', item: 'linersClamped', where: '', change: 'in', of: { what: 'all' } },
  ],
}
