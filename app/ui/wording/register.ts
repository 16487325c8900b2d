import { inSentence } from './inSentence'
import { registerItems } from '@link-count/core/ledger'
import type { BuildSheet, ItemKind, Relief } from '@link-count/core/model'

export interface ItemWords {
  readonly name: string
  /** How it is, while it is on the register. */
  readonly in: string
  /** Said when it is done. */
  readonly takeOut: string
  /** What would free it. */
  readonly free: string
}

export const itemWords: { readonly [K in ItemKind]: ItemWords } = {
  stop: { name: 'Piston stop', in: 'in', takeOut: 'Stop is out', free: 'Take the stop out' },
  dialRod: { name: 'Dial rod', in: 'in', takeOut: 'Dial is out', free: 'Take the dial out' },
  probe: { name: 'Probe', in: 'in', takeOut: 'Probe is out', free: 'Take the probe out' },
  lockingPin: { name: 'Locking pin', in: 'in', takeOut: 'Pin is out', free: 'Take the pin out' },
  tensionerPin: { name: 'Tensioner pin', in: 'in', takeOut: 'Pin is out', free: 'Release the tensioner' },
  rag: { name: 'Rag', in: 'in', takeOut: 'Rag is out', free: 'Take the rag out' },
  tie: { name: 'Tie', in: 'on', takeOut: 'Tie is off', free: 'Take the tie off' },
  lock: { name: 'Lock', in: 'in', takeOut: 'Lock is off', free: 'Take the lock off' },
  capsLoose: { name: 'Cam caps', in: 'loose', takeOut: 'Caps are tight', free: 'Tighten the caps' },
  fingerTight: { name: 'Bolts', in: 'finger tight', takeOut: 'Bolts are tight', free: 'Tighten the bolts' },
  tabsNotBent: { name: 'Lock tabs', in: 'not bent', takeOut: 'Tabs are bent', free: 'Bend the tabs' },
  valvesRelieved: { name: 'Valves', in: 'relieved', takeOut: 'Rockers are back', free: 'Put the rockers back' },
  heldTaut: {
    name: 'Chain or belt',
    in: 'held taut by hand',
    takeOut: 'It is on, or let go',
    free: 'Let it go once it is on',
  },
  gearPin: {
    name: 'Pin through a split gear',
    in: 'in',
    takeOut: 'Gear pin is out',
    free: 'Take the gear pin out once it is in mesh',
  },
  headOff: { name: 'Cylinder head', in: 'off', takeOut: 'Head is back on', free: 'Put the head back' },
  linersClamped: { name: 'Liners', in: 'clamped', takeOut: 'Clamps are off', free: 'Take the clamps off' },
  loopAway: { name: 'Chain or belt', in: 'taken right off', takeOut: 'It is on', free: 'Put it on' },
  underPressure: {
    name: 'Coupling',
    in: 'under oil pressure',
    takeOut: 'Pressure is off',
    free: 'Let the pressure off, and wait as the maker says',
  },
  tackle: { name: 'Tackle', in: 'hooked to the camshaft', takeOut: 'Tackle is off', free: 'Unhook the tackle' },
  pawlsOut: {
    name: 'Pawls of the impulse coupling',
    in: 'held out',
    takeOut: 'Pawls are free',
    free: 'Let the pawls go',
  },
  earthOff: {
    name: 'Earth wire of the magneto',
    in: 'off, so that it is live',
    takeOut: 'Earth wire is on',
    free: 'Put the earth wire back',
  },
  ignitionOn: { name: 'Ignition', in: 'on for the lamp', takeOut: 'Ignition is off', free: 'Turn the ignition off' },
  fuelAtPressure: {
    name: 'Fuel',
    in: 'at feed pressure',
    takeOut: 'Fuel is shut',
    free: 'Shut the fuel',
  },
  towel: { name: 'Towel', in: 'in', takeOut: 'Towel is out', free: 'Take the towel out' },
  magnet: { name: 'Magnet', in: 'in', takeOut: 'Magnet is out', free: 'Take the magnet out' },
  notTight: { name: 'Bolts', in: 'not tight yet', takeOut: 'Bolts are tight', free: 'Tighten the bolts' },
  toBeChanged: { name: 'Something', in: 'to be changed yet', takeOut: 'It is changed', free: 'Change it' },
  airShut: { name: 'Starting air', in: 'shut and locked', takeOut: 'Air is open', free: 'Open the air again' },
  batteryOff: { name: 'Battery', in: 'off', takeOut: 'Battery is on', free: 'Connect the battery again' },
  fuelShut: { name: 'Fuel', in: 'shut', takeOut: 'Fuel is open', free: 'Open the fuel again' },
  oilShut: { name: 'Lubricating oil', in: 'shut', takeOut: 'Oil is open', free: 'Open the oil again' },
  turningGear: { name: 'Turning gear', in: 'in', takeOut: 'Turning gear is out', free: 'Take the turning gear out' },
  startBlocked: { name: 'Start', in: 'blocked', takeOut: 'Start is free', free: 'Free the start' },
  magnetoEarthed: { name: 'Magneto', in: 'earthed', takeOut: 'Magneto is live again', free: 'Take the earth off' },
  propellerHeld: { name: 'Propeller', in: 'held', takeOut: 'Propeller is free', free: 'Let the propeller go' },
  other: { name: 'Something', in: 'in', takeOut: 'It is out', free: 'Take it out' },
}

/** Whose: every valve, or those of a cylinder, a bank, a camshaft, or one alone; or which chain or belt. */
export function reliefWords(of: Relief, { cams, cylinders, banks, shafts, loops }: BuildSheet): string {
  if (of.what === 'all') return 'every valve'
  const name = (list: readonly { readonly id: string; readonly name: string }[]) =>
    list.find(({ id }) => id === of.id)?.name ?? 'not on this sheet'
  switch (of.what) {
    case 'valve':
      return `valve ${name(cams)}`
    case 'cylinder':
      return `cylinder ${name(cylinders)}`
    case 'bank':
      return inSentence(name(banks))
    case 'camshaft':
      return inSentence(name(shafts))
    case 'loop':
      return inSentence(name(loops))
  }
}

/** What is in, out or loose, and where. Words beside valves that are relieved say where and free nothing. */
export function itemSentence(
  { item, where, of }: { readonly item: ItemKind; readonly where: string; readonly of?: Relief | undefined },
  sheet: BuildSheet,
): string {
  const plain = `${itemWords[item].name} ${itemWords[item].in}`
  // Of a head that is off the words only say where.
  if (item === 'headOff' || !registerItems[item].relieves)
    return `${plain}${of && of.what !== 'all' ? `: ${reliefWords(of, sheet)}` : where ? `: ${where}` : ''}`
  if (of) return `${plain}: ${reliefWords(of, sheet)}`
  return where.trim() === '' ? `${plain}: every valve` : `${plain}: ${where} (say whose: words free nothing)`
}
