import type { BuildSheet, Coupling } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'

/** What one place of a coupling is called. */
export const placeWords: Record<
  Coupling['kind'],
  { readonly one: string; readonly many: string; readonly name: string }
> = {
  gearMesh: { one: 'tooth', many: 'teeth', name: 'Gears' },
  spline: { one: 'spline', many: 'splines', name: 'Spline' },
  quill: { one: 'spline', many: 'splines', name: 'Quill' },
  dog: { one: 'dog', many: 'dogs', name: 'Dog coupling' },
}

export const couplingName = ({ kind, toId }: Coupling, sheet: BuildSheet) =>
  `${placeWords[kind].name} of the ${partsOf(sheet).shaft(toId)?.name.toLowerCase() ?? 'shaft'}`

/** "two places on", "1 place back", "where it was"; on = the driven shaft further in its running direction. */
export const placesWords = (steps: number) =>
  steps === 0
    ? 'where it was'
    : `${Math.abs(steps)} ${Math.abs(steps) === 1 ? 'place' : 'places'} ${steps > 0 ? 'on' : 'back'}`
