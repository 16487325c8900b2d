import { figureKind, type Figure } from './figures'

/** What a figure that nobody measured may be, and how near it is read with what a workshop has. */
export interface UsualValue {
  readonly least: number
  readonly most: number
  /** ± of one reading, two sigma; 0 for what is counted or printed. */
  readonly readTo: number
  readonly unit: 'mm' | 'deg' | 'teeth' | 'pitches'
}

/** The ranges that unknown figures are taken to lie in when it is weighed which of them to measure next; never a value that anything is judged by.
 *  Source: common practice, no source. */
export const USUAL_VALUES: Readonly<Record<string, UsualValue>> = {
  'members teeth': { least: 15, most: 60, readTo: 0, unit: 'teeth' },
  'loops pitchMm': { least: 8, most: 12.7, readTo: 0.02, unit: 'mm' },
  'loops pitches': { least: 40, most: 180, readTo: 0, unit: 'pitches' },
  'shafts distance': { least: 120, most: 360, readTo: 0.5, unit: 'mm' },
  'shafts direction': { least: -30, most: 30, readTo: 2, unit: 'deg' },
  'marks pointsAtDeg': { least: -90, most: 90, readTo: 5, unit: 'deg' },
  'sheet strokeMm': { least: 50, most: 160, readTo: 0.5, unit: 'mm' },
  'sheet rodMm': { least: 90, most: 320, readTo: 1, unit: 'mm' },
}

/** The usual values of a figure; undefined where it is no number, or one that only a book can tell. */
export const usualOf = (figure: Figure): UsualValue | undefined => USUAL_VALUES[figureKind(figure)]

export const middleOf = ({ least, most }: UsualValue): number => (least + most) / 2
