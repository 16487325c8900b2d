import type { ItemKind } from '@link-count/core/model'

export const itemWords: Record<ItemKind, { readonly name: string; readonly takeOut: string; readonly in: string }> = {
  stop: { name: 'Piston stop', in: 'in', takeOut: 'Stop is out' },
  dialRod: { name: 'Dial rod', in: 'in', takeOut: 'Dial is out' },
  probe: { name: 'Probe', in: 'in', takeOut: 'Probe is out' },
  lockingPin: { name: 'Locking pin', in: 'in', takeOut: 'Pin is out' },
  tensionerPin: { name: 'Tensioner pin', in: 'in', takeOut: 'Pin is out' },
  rag: { name: 'Rag', in: 'in', takeOut: 'Rag is out' },
  tie: { name: 'Tie', in: 'on', takeOut: 'Tie is off' },
  lock: { name: 'Lock', in: 'in', takeOut: 'Lock is off' },
  capsLoose: { name: 'Cam caps', in: 'loose', takeOut: 'Caps are tight' },
  fingerTight: { name: 'Bolts', in: 'finger tight', takeOut: 'Bolts are tight' },
  tabsNotBent: { name: 'Lock tabs', in: 'not bent', takeOut: 'Tabs are bent' },
  valvesRelieved: { name: 'Every valve', in: 'relieved', takeOut: 'Rockers are back' },
  other: { name: 'Something', in: 'in', takeOut: 'It is out' },
}

export const itemSentence = (item: ItemKind, where: string) =>
  `${itemWords[item].name} ${itemWords[item].in}${where ? `: ${where}` : ''}`
