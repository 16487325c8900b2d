import type { BuildSheet, ItemKind, Relief } from '@link-count/core/model'

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
  valvesRelieved: { name: 'Valves', in: 'relieved', takeOut: 'Rockers are back' },
  other: { name: 'Something', in: 'in', takeOut: 'It is out' },
}

/** Whose valves: every one, or those of a cylinder, a bank, a camshaft, or one alone. */
export function reliefWords(of: Relief, { cams, cylinders, banks, shafts }: BuildSheet): string {
  if (of.what === 'all') return 'every valve'
  const name = (list: readonly { readonly id: string; readonly name: string }[]) =>
    list.find(({ id }) => id === of.id)?.name ?? 'not on this sheet'
  switch (of.what) {
    case 'valve':
      return `valve ${name(cams)}`
    case 'cylinder':
      return `cylinder ${name(cylinders)}`
    case 'bank':
      return name(banks).toLowerCase()
    case 'camshaft':
      return name(shafts).toLowerCase()
  }
}

/** What is in, out or loose, and where. Words beside valves that are relieved say where and free nothing. */
export function itemSentence(
  { item, where, of }: { readonly item: ItemKind; readonly where: string; readonly of?: Relief | undefined },
  sheet: BuildSheet,
): string {
  const plain = `${itemWords[item].name} ${itemWords[item].in}`
  if (item !== 'valvesRelieved') return `${plain}${where ? `: ${where}` : ''}`
  if (of) return `${plain}: ${reliefWords(of, sheet)}`
  return where.trim() === '' ? `${plain}: every valve` : `${plain}: ${where} (say whose: words free nothing)`
}
