import { shaftPoint } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { Trusted } from '../model/primitives'
import { partsOf } from '../sheet'

/** One figure of a build sheet: of the sheet itself, or of a part by its id. A count's id is its stretch; a valve's is its kind. */
export interface Figure {
  readonly list: 'sheet' | 'members' | 'loops' | 'shafts' | 'marks' | 'counts' | 'cams'
  readonly id: string
  /** Its field; of a shaft `distance` and `direction`, however it is placed. */
  readonly field: string
}

export const figureKey = ({ list, id, field }: Figure) => `${list} ${id} ${field}`

/** What kind of figure it is, whichever part it is of. */
export const figureKind = ({ list, field }: Figure) => `${list} ${field}`

/** Whether a build sheet has a figure. */
export function isGiven(sheet: BuildSheet, { list, id, field }: Figure): boolean {
  if (list === 'sheet')
    return field === 'interference'
      ? sheet.interference.value !== 'unknown'
      : sheet[field as keyof BuildSheet] !== undefined
  if (list === 'shafts') return isPlaced(sheet, id, field)
  if (list === 'counts') return sheet.counts.some((one) => `${one.fromMarkId}>${one.toMarkId}` === id)
  const one =
    list === 'cams'
      ? sheet.cams.find(({ valve }) => valve === id)
      : (sheet[list] as readonly { readonly id: string }[]).find((part) => part.id === id)
  return one !== undefined && (one as Record<string, unknown>)[field] !== undefined
}

function isPlaced(sheet: BuildSheet, id: string, field: string): boolean {
  const shaft = partsOf(sheet).shaft(id)
  if (!shaft) return false
  if (shaftPoint(sheet, shaft)) return true
  const { position } = shaft
  if (position?.how !== 'polar') return false
  return (field === 'distance' ? position.distanceMm : position.directionDeg) !== undefined
}

/** A number as the sheet has it; undefined where it has none. */
export function givenFigure(sheet: BuildSheet, { list, id, field }: Figure): Trusted<number> | undefined {
  if (list === 'sheet') return numberOf(sheet[field as 'strokeMm'])
  if (list === 'counts') return sheet.counts.find((one) => `${one.fromMarkId}>${one.toMarkId}` === id)?.pitches
  if (list === 'shafts') {
    const position = sheet.shafts.find((one) => one.id === id)?.position
    if (position?.how !== 'polar') return undefined
    return field === 'distance' ? position.distanceMm : position.directionDeg
  }
  const part =
    list === 'cams'
      ? sheet.cams.find(({ valve }) => valve === id)
      : (sheet[list] as readonly { readonly id: string }[]).find((one) => one.id === id)
  return numberOf((part as Readonly<Record<string, unknown>> | undefined)?.[field])
}

const numberOf = (figure: unknown): Trusted<number> | undefined =>
  typeof figure === 'object' && figure !== null && 'value' in figure && typeof figure.value === 'number'
    ? (figure as Trusted<number>)
    : undefined
