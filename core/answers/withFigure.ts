import type { BuildSheet, Position, Shaft } from '../model/buildSheet'
import type { Figure } from './figures'

/** A build sheet with a number put in for a figure, to see what would come of it; never one that is kept. */
export function withFigure(sheet: BuildSheet, { list, id, field }: Figure, value: number): BuildSheet {
  const figure = { value, typed: '', trust: 'unknown' as const }
  switch (list) {
    case 'sheet':
      return { ...sheet, [field]: figure }
    case 'members':
      return { ...sheet, members: patched(sheet.members, id, { [field]: { ...figure, value: Math.round(value) } }) }
    case 'loops':
      return { ...sheet, loops: patched(sheet.loops, id, { [field]: figure }) }
    case 'marks':
      return { ...sheet, marks: patched(sheet.marks, id, { [field]: figure }) }
    case 'shafts': {
      const crankId = sheet.shafts.find(({ kind }) => kind === 'crank')?.id ?? ''
      return {
        ...sheet,
        shafts: sheet.shafts.map((shaft) =>
          shaft.id === id ? { ...shaft, position: placed(shaft, crankId, field, figure) } : shaft,
        ),
      }
    }
    case 'counts':
      return {
        ...sheet,
        counts: sheet.counts.map((one) =>
          `${one.fromMarkId}>${one.toMarkId}` === id ? { ...one, pitches: figure } : one,
        ),
      }
    case 'cams':
      return { ...sheet, cams: sheet.cams.map((one) => (one.valve === id ? { ...one, [field]: figure } : one)) }
  }
}

type Polar = Extract<Position, { readonly how: 'polar' }>

function placed({ position }: Shaft, crankId: string, field: string, figure: Polar['distanceMm']): Polar {
  const polar: Polar = position?.how === 'polar' ? position : { how: 'polar', fromShaftId: crankId }
  return { ...polar, [field === 'distance' ? 'distanceMm' : 'directionDeg']: figure }
}

const patched = <T extends { readonly id: string }>(parts: readonly T[], id: string, by: object): T[] =>
  parts.map((one) => (one.id === id ? { ...one, ...by } : one))
