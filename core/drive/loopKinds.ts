import type { Loop, Member } from '../model/buildSheet'
import { pulleyRadiusMm, sprocketRadiusMm } from './sprocket'

/** What a kind of loop is, wherever that makes a difference to a figure or a drawing. What it is called stands in the app. */
export interface LoopKindRecord {
  readonly runsOn: Extract<Member['kind'], 'sprocket' | 'pulley'>
  /** To the line along which its pitch is measured, on so many teeth. */
  readonly radiusMm: (pitchMm: number, teeth: number) => number
  /** Plates on pins; plates with teeth of their own; a band with teeth. */
  readonly made: 'pinned' | 'toothed' | 'band'
  /** It grows longer as it wears. */
  readonly grows: boolean
  /** Of an odd number of pitches it needs a cranked link to close. */
  readonly crankedWhenOdd: boolean
}

export const loopKinds: { readonly [K in Loop['kind']]: LoopKindRecord } = {
  rollerChain: { runsOn: 'sprocket', radiusMm: sprocketRadiusMm, made: 'pinned', grows: true, crankedWhenOdd: true },
  invertedToothChain: {
    runsOn: 'sprocket',
    radiusMm: sprocketRadiusMm,
    made: 'toothed',
    grows: true,
    crankedWhenOdd: false,
  },
  toothedBelt: { runsOn: 'pulley', radiusMm: pulleyRadiusMm, made: 'band', grows: false, crankedWhenOdd: false },
}
