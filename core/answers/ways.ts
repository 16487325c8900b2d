import type { Section } from '../drive'
import type { BuildSheet, Loop, Mark, Shaft } from '../model/buildSheet'
import { partsOf } from '../sheet'
import type { Figure } from './figures'

/** What a count is worked out from: teeth, pitch, where the shafts stand, how long it is, where both marks point. */
export const geometryOf = (sheet: BuildSheet, loop: Loop, { from, to }: Section): Figure[] => [
  ...layoutOf(sheet, loop),
  { list: 'loops', id: loop.id, field: 'pitches' },
  ...[from, to].map(({ id }: Mark): Figure => ({ list: 'marks', id, field: 'pointsAtDeg' })),
]

/** What the path of a loop is worked out from. */
export function layoutOf(sheet: BuildSheet, loop: Loop): Figure[] {
  const wheels = loop.path.flatMap(({ memberId }) => {
    const wheel = partsOf(sheet).member(memberId)
    return wheel?.shaftId ? [wheel] : []
  })
  const shafts = wheels.flatMap(({ shaftId }) => partsOf(sheet).shaft(shaftId) ?? [])
  return [
    ...wheels.map(({ id }): Figure => ({ list: 'members', id, field: 'teeth' })),
    { list: 'loops', id: loop.id, field: 'pitchMm' },
    ...shafts.flatMap(placeOf),
    ...(sheet.running ? [] : [{ list: 'sheet' as const, id: '', field: 'running' }]),
  ]
}

const placeOf = (shaft: Shaft): Figure[] =>
  shaft.kind === 'crank'
    ? []
    : [
        { list: 'shafts', id: shaft.id, field: 'distance' },
        { list: 'shafts', id: shaft.id, field: 'direction' },
      ]
