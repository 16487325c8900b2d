import type { DegreesField, Draft, LengthField } from '../../../ui/fields'

/** The kinds of thing that a camshaft is seen off its place by. */
export const kinds = { teeth: 'teeth', degrees: 'degrees', clock: 'clock', gap: 'gap, pin', lobes: 'lobes' } as const
export type Kind = keyof typeof kinds
export const gaps = {
  mm: 'A rule, at a radius',
  feeler: 'A blade under a bar, or in a slot',
  gauge: 'A pin gauge that reads degrees',
} as const
export const looks = {
  lobes: 'Where the lobes point',
  letters: 'How the letters on it stand',
  rocking: 'Both valves rock here',
  pushrods: 'Tops of the two pushrods, head off',
} as const

export interface Drafts {
  readonly kind: Draft
  readonly way: Draft
  readonly gap: Draft
  readonly look: Draft
  readonly saw: Draft
  readonly cylinder: Draft
  readonly amount: DegreesField
  readonly mm: LengthField
  readonly radius: LengthField
  readonly gauge: DegreesField
  readonly sure: DegreesField
}
