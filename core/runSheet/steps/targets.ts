import type { BuildSheet } from '../../model/buildSheet'
import type { CrankPlace } from './step'

export const camshaftsOf = (sheet: BuildSheet) => sheet.shafts.filter(({ kind }) => kind === 'cam')

/** One step for each of a list of parts. */
export const each = (parts: readonly { readonly id: string }[]) => parts.map(({ id }) => [id])

export const atPlace = (sheet: BuildSheet, deg: number): CrankPlace => ({
  at: deg === sheet.referencePose.crankDeg.value ? 'pose' : 'mark',
  deg,
})
