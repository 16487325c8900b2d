import { inSentence } from './inSentence'
import { gearsOf, type MeshRead } from '@link-count/core/drive'
import type { BuildSheet, Coupling, Member } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { formatLateness } from '@link-count/core/units'

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

export function couplingName(coupling: Coupling, sheet: BuildSheet): string {
  const { kind, fromId, toId } = coupling
  if (kind !== 'gearMesh')
    return `${placeWords[kind].name} of the ${inSentence(partsOf(sheet).shaft(toId)?.name) ?? 'shaft'}`
  const { member } = partsOf(sheet)
  const { driver, driven } = gearsOf(sheet, coupling) ?? { driver: member(fromId), driven: member(toId) }
  return `${driver?.name ?? 'Gear'} and ${inSentence(driven?.name) ?? 'gear'}`
}

/** "two places on", "1 tooth back", "where it was"; on = the driven shaft further in its running direction. */
export function placesWords(steps: number, kind: Coupling['kind'] = 'spline'): string {
  if (steps === 0) return 'where it was'
  const { one, many } = kind === 'gearMesh' ? placeWords.gearMesh : { one: 'place', many: 'places' }
  return `${Math.abs(steps)} ${Math.abs(steps) === 1 ? one : many} ${steps > 0 ? 'on' : 'back'}`
}

/** What teeth counted between the marks of two gears tell. */
export function meshReadWords(
  read: MeshRead | undefined,
  { driver, driven }: { readonly driver: Member; readonly driven: Member },
): string {
  const [one, other] = [inSentence(driver.name), inSentence(driven.name)]
  if (!read) return `Written. It says nothing before the teeth of the ${one} and the ${other} are counted.`
  const turns = (n: number) => (n === 1 ? '1 turn' : `${n} turns`)
  if (read.teethLate === undefined)
    return read.turnsToMeet === undefined
      ? `Written. These marks come together too often to tell a tooth.`
      : `This count cannot tell: whatever the tooth, these marks come together after some turns, as they stand now after ${turns(read.turnsToMeet)} of the ${one}. Read the camshaft itself.`
  const n = Math.abs(read.teethLate)
  if (n === 0)
    return read.provesMesh
      ? `On the right tooth: ${other} to ${one}.`
      : `On the right tooth, or so far out that these marks meet all the same. Read the camshaft itself.`
  return `${n} ${n === 1 ? 'tooth' : 'teeth'} ${read.teethLate > 0 ? 'late' : 'early'}: the ${other} stands ${formatLateness(read.latenessDeg ?? 0)} at the crank.`
}
