import type { BuildSheet, Cam, Loop, Mark, Member, Shaft } from '@link-count/core/model'

/* A change of the build sheet is a function from the old to the new; these make the ones that the editor needs. */
export type SheetChange = (sheet: BuildSheet) => BuildSheet

const patchById =
  <T extends { readonly id: string }>(key: 'shafts' | 'members' | 'loops' | 'marks' | 'cams' | 'cylinders') =>
  (id: string, change: (one: T) => T): SheetChange =>
  (sheet) => ({ ...sheet, [key]: (sheet[key] as unknown as T[]).map((one) => (one.id === id ? change(one) : one)) })

export const patchShaft = patchById<Shaft>('shafts')
export const patchMember = patchById<Member>('members')
export const patchLoop = patchById<Loop>('loops')
export const patchMark = patchById<Mark>('marks')
export const patchCylinder = patchById<BuildSheet['cylinders'][number]>('cylinders')

/** The same figure for this valve of every cylinder: in this shape they share one cam form. */
export const patchValve =
  (valve: Cam['valve'], change: (cam: Cam) => Cam): SheetChange =>
  (sheet) => ({ ...sheet, cams: sheet.cams.map((cam) => (cam.valve === valve ? change(cam) : cam)) })

/** A value set, or taken away again when it is not known. */
export function withValue<T extends object, K extends keyof T>(target: T, key: K, value: T[K] | undefined): T {
  const { [key]: _gone, ...rest } = target
  return (value === undefined ? rest : { ...rest, [key]: value }) as T
}

export const setPolar =
  (part: 'distanceMm' | 'directionDeg', value: BuildSheet['strokeMm']) =>
  <T extends Shaft | Member>(one: T): T =>
    one.position?.how === 'polar' ? { ...one, position: withValue(one.position, part, value) } : one

/** Firing TDCs evenly spread over the cycle in an order of cylinder names; undefined when the order is not theirs. */
export function firingFromOrder(sheet: BuildSheet, text: string): SheetChange | undefined {
  const names = text.split(/[^A-Za-z0-9]+/).filter(Boolean)
  const ids = names.map((name) => sheet.cylinders.find((cylinder) => cylinder.name === name)?.id)
  if (
    new Set(ids).size !== sheet.cylinders.length ||
    ids.includes(undefined) ||
    names.length !== sheet.cylinders.length
  )
    return undefined
  const zeroAt = ids.indexOf(sheet.zeroCylinderId)
  const stepDeg = sheet.cycleDeg / names.length
  return (before) => ({
    ...before,
    cylinders: before.cylinders.map((cylinder) => {
      const place = (ids.indexOf(cylinder.id) - zeroAt + names.length) % names.length
      return { ...cylinder, firingDeg: { value: place * stepDeg, typed: text.trim(), trust: 'manual' } }
    }),
  })
}
