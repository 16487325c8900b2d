import type { Adjuster } from '@link-count/core/model'

export const adjusterKindWords: Record<Adjuster['kind'], string> = {
  chainTooth: 'the loop laid over by a tooth',
  hub: 'a hub or vernier with places',
  keyway: 'several keyways',
  offsetKey: 'offset keys',
  slots: 'slotted holes',
  taper: 'a taper',
  grubScrews: 'grub screws',
  turnedOver: 'turned over',
  couplingSlip: 'slip of the coupling',
}

/** What is done at an adjuster, without how far: "Hub of the inlet sprocket, 3 places back". */
export function adjusterWords(adjuster: Adjuster, memberName: string, amount: number): string {
  const of = memberName.toLowerCase()
  switch (adjuster.kind) {
    case 'hub':
      return `Hub of the ${of}, ${Math.abs(amount)} ${Math.abs(amount) === 1 ? 'place' : 'places'}`
    case 'keyway':
      return `${memberName} on its keyway ${amount + 1}`
    case 'offsetKey': {
      const keys = adjuster.keysMm?.filter((mm) => mm > 0) ?? []
      return `Offset key of ${keys[(amount - 1) % Math.max(1, keys.length)] ?? '?'} mm in the ${of}`
    }
    case 'turnedOver':
      return `${memberName} turned over`
    case 'slots':
      return `${memberName} in its slots`
    default:
      return `${memberName}, let go and turned`
  }
}
