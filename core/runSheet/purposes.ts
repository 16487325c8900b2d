import type { BuildSheet } from '../model/buildSheet'
import { PURPOSES, type Purpose } from '../model/purposes'
import { stepKinds, type StepKind } from './steps'

/** What a purpose wants of the whole work. */
export interface PurposeRecord {
  /** The kinds of step that it wants; the others are no part of the job. */
  readonly wants: readonly StepKind[]
  /** What it is about: an engine that has no such step has no such purpose. */
  readonly about: StepKind
}

/** Every purpose. Making safe and the card belong to each; two turns to each that lays, tightens or judges a drive. */
export const purposes: Readonly<Record<Purpose, PurposeRecord>> = {
  whole: { about: 'makeSafe', wants: Object.keys(stepKinds) as StepKind[] },
  // Is it worth it: what can be read without taking anything off.
  lookOnly: { about: 'asFound', wants: ['makeSafe', 'lashFound', 'asFound', 'card'] },
  // A new chain or belt by paint and counts: no proved TDC is wanted.
  timingKept: {
    about: 'chainOnCount',
    wants: ['makeSafe', 'asFound', 'poseChainOff', 'chainOnCount', 'tensioner', 'twoTurns', 'card'],
  },
  // After a strip, with nothing left to read as found.
  fromNothing: {
    about: 'trueTdc',
    wants: [
      'makeSafe',
      'trueTdc',
      'whichTdc',
      'poseChainOff',
      'setCam',
      'chainOnCount',
      'tensioner',
      'twoTurns',
      'lashLeft',
      'card',
    ],
  },
  tensionOnly: { about: 'tensioner', wants: ['makeSafe', 'tensioner', 'twoTurns', 'card'] },
  clearances: { about: 'lashFound', wants: ['makeSafe', 'lashFound', 'lashLeft', 'card'] },
  proveWork: { about: 'asFound', wants: ['makeSafe', 'trueTdc', 'whichTdc', 'asFound', 'twoTurns', 'card'] },
}

/** What a job can be here for on an engine: the purposes whose own step it has. */
export const purposesOf = (sheet: BuildSheet): readonly Purpose[] =>
  PURPOSES.filter((purpose) => stepKinds[purposes[purpose].about].targets(sheet).length > 0)
