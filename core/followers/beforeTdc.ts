import { makeSliderCrank } from '../kinematics'
import type { BuildSheet } from '../model/buildSheet'
import type { FollowerFigure } from '../model/followers'
import { radFromDeg } from '../units'

/** A place before firing TDC, degrees of the crank, two sigma. */
export interface BeforeTdc {
  readonly deg: number
  readonly plusMinusDeg: number
  /** The rod is not on the sheet: from the shortest to the longest usual one. */
  readonly usualRod?: true
}
/** Why a figure says no place of the crank: a lift is none; a figure of the sheet is missing; a piston is not so far down. */
export type NoPlace = 'lift' | 'noStroke' | 'noRim' | 'dome' | 'crownNotSaid' | 'leanNotSaid' | 'outOfStroke'

/** Rods over strokes of most engines. Source: handbook 2, common practice. */
export const USUAL_RODS = [1.6, 2.1] as const

/** What a figure is as degrees of the crank before firing TDC. Of the piston it is what a rod moves down its hole: where that leans c off the bore the piston
 *  drops cos c of it, on a flat crown. On a dome it says nothing, and neither where it was not said what it meets. Errors: see `NoPlace`. Source: handbook 4, 14 and 19. */
export function beforeTdc(
  sheet: BuildSheet,
  {
    by,
    value,
    plusMinus,
  }: {
    readonly by: FollowerFigure
    readonly value: number
    readonly plusMinus: number
  },
): BeforeTdc | NoPlace {
  if (by === 'lift') return 'lift'
  if (by === 'beforeTdc') return { deg: value, plusMinusDeg: plusMinus }
  if (by === 'rim') {
    const round = sheet.rimMm?.value
    return round ? { deg: (360 * value) / round, plusMinusDeg: (360 * plusMinus) / round } : 'noRim'
  }
  const cannot = crownCannot(sheet)
  if (cannot) return cannot
  const drop = (mm: number) => mm * Math.cos(radFromDeg(sheet.plugAngleDeg?.value ?? 0))
  const places = degreesOfDrop(sheet, drop(value))
  if (typeof places === 'string') return places
  const wider = degreesOfDrop(sheet, drop(value + plusMinus))
  const nearer = degreesOfDrop(sheet, drop(Math.max(0, value - plusMinus)))
  if (typeof wider === 'string' || typeof nearer === 'string') return 'outOfStroke'
  const own = Math.max(wider.deg - places.deg, places.deg - nearer.deg)
  return {
    deg: places.deg,
    plusMinusDeg: own + places.spread,
    ...(sheet.rodMm ? {} : { usualRod: true as const }),
  }
}

/** Why a rod down the hole tells no drop of the piston: it leans and meets a dome, or one of the two was not said. Straight down it tells it on any crown. */
export function crownCannot({ plugAngleDeg, crown }: BuildSheet): 'dome' | 'crownNotSaid' | 'leanNotSaid' | undefined {
  if (plugAngleDeg?.value === 0) return undefined
  if (!plugAngleDeg) return crown === 'dome' ? 'leanNotSaid' : undefined
  return crown === 'flat' ? undefined : crown === 'dome' ? 'dome' : 'crownNotSaid'
}

/** What a rod down the hole moves for so many degrees before TDC, mm; the other way of `beforeTdc`. */
export function rodTravel(sheet: BuildSheet, deg: number): number | NoPlace {
  const cranks = cranksOf(sheet)
  if (typeof cranks === 'string') return cranks
  const drops = cranks.map((crank) => crank.dropMm(-deg))
  return middle(drops) / Math.cos(radFromDeg(sheet.plugAngleDeg?.value ?? 0))
}

const middle = (list: readonly number[]) => (Math.min(...list) + Math.max(...list)) / 2

function degreesOfDrop(sheet: BuildSheet, dropMm: number): { readonly deg: number; readonly spread: number } | NoPlace {
  const cranks = cranksOf(sheet)
  if (typeof cranks === 'string') return cranks
  const degs = cranks.map((crank) => crank.degAtDrop(dropMm, 'before'))
  if (degs.some((deg) => deg === undefined)) return 'outOfStroke'
  const before = degs.map((deg) => -(deg ?? 0))
  return { deg: middle(before), spread: (Math.max(...before) - Math.min(...before)) / 2 }
}

/** The crank of the sheet; without a rod those of the shortest and the longest usual one. */
function cranksOf({ strokeMm, rodMm, pinOffsetMm }: BuildSheet) {
  if (!strokeMm) return 'noStroke'
  const rods = rodMm ? [rodMm.value] : USUAL_RODS.map((over) => over * strokeMm.value)
  const cranks = rods.map((rod) =>
    makeSliderCrank({ strokeMm: strokeMm.value, rodMm: rod, pinOffsetMm: pinOffsetMm?.value ?? 0 }),
  )
  const made = cranks.flatMap((crank) => (crank.ok ? [crank.value] : []))
  return made.length === cranks.length ? made : 'noStroke'
}
