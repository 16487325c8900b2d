import { halfTurn, skim, slack, stretch, teeth } from './lateCauses'
import { camSwapped, lash, mark, wear, wrongLift } from './lobeCauses'
import type { CauseCode, Prediction, Readings } from './readings'

export interface CauseRecord {
  /** What it would read, at its best size; nothing where it cannot be. */
  readonly predict: (readings: Readings) => readonly Prediction[]
  /** What it does, of those of which two may come together: it makes everything late by what a part has of it, or valves are open for longer or
   *  shorter. */
  readonly does?: 'late' | 'duration'
}

/** Every cause, in the order in which they are met at the bench. A camshaft that is not the book's is a last resort and never tried by itself. */
export const causes: { readonly [K in CauseCode]: CauseRecord } = {
  teeth: { predict: (readings) => teeth(readings) },
  halfTurn: { predict: halfTurn },
  stretch: { predict: stretch, does: 'late' },
  skim: { predict: skim, does: 'late' },
  slack: { predict: slack, does: 'late' },
  lash: { predict: lash, does: 'duration' },
  wear: { predict: wear, does: 'duration' },
  wrongLift: { predict: wrongLift, does: 'duration' },
  camSwapped: { predict: camSwapped },
  mark: { predict: mark },
  wrongCam: { predict: () => [] },
}

/** The causes by name, in that order. */
export const CAUSES = Object.keys(causes) as readonly CauseCode[]

/** Those that do the same, in that order. */
export const causesThat = (does: NonNullable<CauseRecord['does']>): readonly CauseCode[] =>
  CAUSES.filter((code) => causes[code].does === does)
