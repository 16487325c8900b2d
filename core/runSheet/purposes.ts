import type { BuildSheet } from '../model/buildSheet'
import { PURPOSES, type Purpose } from '../model/purposes'
import type { Schools } from './schools'
import { stepKinds, type StepKind } from './steps'

/** What a purpose wants of the whole work. */
export interface PurposeRecord {
  /** The kinds of step that it wants; the others are no part of the job. */
  readonly wants: (sheet: BuildSheet, schools: Schools) => readonly StepKind[]
  /** What it is about: an engine that has no such step has no such purpose. */
  readonly about: StepKind
  /** What its turns prove, where that is not the timing: then no camshaft need be read after them. */
  readonly proves?: 'tension'
}

/** True TDC and which one, unless it is worked by the marks alone. */
const zero = ({ tdcBy }: Schools): StepKind[] => (tdcBy === 'marks' ? [] : ['trueTdc', 'whichTdc'])

const FOLLOWERS_SET: StepKind[] = ['pumpSet', 'pumpTight', 'sparkSet', 'sparkTight']
const LAID_ANEW: StepKind[] = ['poseChainOff', 'setCam', 'chainOnCount', 'tensioner', 'twoTurns']
/** What belongs to a job with its own purpose alone. */
const OWN: readonly StepKind[] = [
  'symptoms',
  'lookOver',
  'paint',
  'recouple',
  'gettingIn',
  'gettingBack',
  'bolts',
  'pressures',
  'wear',
  'slackFound',
  'slackSet',
]

/** Judged by a figure, a tension is read once it is set; by feel it is felt in its own step. */
const byFigure = ({ tensionBy }: Pick<Schools, 'tensionBy'>): StepKind[] =>
  tensionBy === 'play' || tensionBy === 'links' || tensionBy === 'pitch' ? ['slackSet'] : []

/** Every purpose. Making safe and the card belong to each; turns that prove to each that lays, tightens or judges a drive. */
export const purposes: Readonly<Record<Purpose, PurposeRecord>> = {
  // Is it worth it: what can be read without taking anything off, pressures last.
  lookOnly: {
    about: 'asFound',
    wants: (_sheet, schools) => [
      'makeSafe',
      'lookOver',
      'lashFound',
      ...zero(schools),
      'asFound',
      'pumpFound',
      'sparkFound',
      'wear',
      'pressures',
      'card',
    ],
  },
  // A new chain or belt by paint and counts: no proved TDC is wanted.
  timingKept: {
    about: 'chainOnCount',
    wants: (_sheet, schools) => [
      'makeSafe',
      'paint',
      'poseChainOff',
      'chainOnCount',
      'tensioner',
      ...byFigure(schools),
      'twoTurns',
      'card',
    ],
  },
  // After a strip, with nothing left to read as found.
  fromNothing: {
    about: 'trueTdc',
    wants: (_sheet, { lashSet, ...schools }) => [
      'makeSafe',
      'trueTdc',
      'whichTdc',
      ...LAID_ANEW,
      ...byFigure(schools),
      ...(lashSet === 'before' ? (['lashFound'] as const) : (['lashLeft'] as const)),
      ...FOLLOWERS_SET,
      'card',
    ],
  },
  tensionOnly: {
    about: 'slackFound',
    proves: 'tension',
    wants: () => ['makeSafe', 'slackFound', 'tensioner', 'slackSet', 'twoTurns', 'card'],
  },
  // From the zero that is proved: found, set, and read again with its bolts tight.
  pump: {
    about: 'pumpSet',
    // Of single pumps on a camshaft what that is late by says whether they may be trimmed for it.
    wants: ({ followers }, schools) => [
      'makeSafe',
      ...zero(schools),
      ...(followers?.some(({ kind }) => kind === 'singlePumps') ? (['asFound'] as const) : []),
      'pumpFound',
      'pumpSet',
      'pumpTight',
      'card',
    ],
  },
  spark: {
    about: 'sparkSet',
    wants: (_sheet, schools) => ['makeSafe', ...zero(schools), 'sparkFound', 'sparkSet', 'sparkTight', 'card'],
  },
  // Where lash is set by shims the camshafts come out for it.
  clearances: {
    about: 'lashFound',
    wants: ({ shims }) => ['makeSafe', 'lashFound', ...(shims ? LAID_ANEW : []), 'lashLeft', 'card'],
  },
  recouple: {
    about: 'recouple',
    wants: () => ['makeSafe', 'trueTdc', 'whichTdc', 'asFound', 'recouple', 'twoTurns', 'card'],
  },
  findFault: {
    about: 'symptoms',
    // The reading that tells is put in as it is found to be the next.
    wants: () => ['makeSafe', 'symptoms', 'card'],
  },
  proveWork: {
    about: 'twoTurns',
    wants: (_sheet, schools) => ['makeSafe', ...zero(schools), 'twoTurns', 'card'],
  },
  whole: {
    about: 'makeSafe',
    wants: (_sheet, schools) => [
      ...(Object.keys(stepKinds) as StepKind[]).filter(
        (kind) =>
          !OWN.includes(kind) &&
          !(kind === 'lashFound' && schools.lashSet === 'after') &&
          !(kind === 'lashLeft' && schools.lashSet === 'before'),
      ),
      ...byFigure(schools),
    ],
  },
}

/** What the turns of a job prove. */
export const provesOf = ({ purpose = 'whole' }: { readonly purpose?: Purpose | undefined }): 'timing' | 'tension' =>
  purposes[purpose].proves ?? 'timing'

/** What a job can be here for on an engine: the purposes whose own step it has. */
export const purposesOf = (sheet: BuildSheet): readonly Purpose[] =>
  PURPOSES.filter((purpose) => stepKinds[purposes[purpose].about].targets(sheet).length > 0)
