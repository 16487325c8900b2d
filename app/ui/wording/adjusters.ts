import { inSentence } from './inSentence'
import type { Adjuster } from '@link-count/core/model'

interface AdjusterWords {
  /** What it is, on the build sheet. */
  readonly name: string
  /** What is done at it, without how far: "Hub of the inlet sprocket, 3 places". `amount` counts places or choices. */
  readonly done: (memberName: string, amount: number, adjuster: Adjuster) => string
}

const letGo: AdjusterWords['done'] = (memberName) => `${memberName}, let go and turned`

const words: { readonly [K in Adjuster['kind']]: AdjusterWords } = {
  chainTooth: { name: 'the loop laid over by a tooth', done: letGo },
  hub: {
    name: 'a hub or vernier with places',
    done: (memberName, amount) => {
      const places = Math.abs(amount)
      return `Hub of the ${inSentence(memberName)}, ${places} ${places === 1 ? 'place' : 'places'}`
    },
  },
  keyway: { name: 'several keyways', done: (memberName, amount) => `${memberName} on its keyway ${amount + 1}` },
  offsetKey: {
    name: 'offset keys',
    done: (memberName, amount, { keysMm }) => {
      const keys = keysMm?.filter((mm) => mm > 0) ?? []
      return `Offset key of ${keys[(amount - 1) % Math.max(1, keys.length)] ?? '?'} mm in the ${inSentence(memberName)}`
    },
  },
  slots: { name: 'slotted holes', done: (memberName) => `${memberName} in its slots` },
  taper: { name: 'a taper', done: letGo },
  grubScrews: { name: 'grub screws', done: letGo },
  turnedOver: { name: 'turned over', done: (memberName) => `${memberName} turned over` },
  couplingSlip: { name: 'slip of the coupling', done: letGo },
}

export const adjusterName = (kind: Adjuster['kind']): string => words[kind].name

/** What is done at an adjuster, without how far. */
export const adjusterWords = (adjuster: Adjuster, memberName: string, amount: number): string =>
  words[adjuster.kind].done(memberName, amount, adjuster)
