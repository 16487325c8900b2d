import { stageOf, tighteningOf } from '../fasteners'
import { allOf, type JobState } from '../ledger'
import type { BoltGroup, BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'

/** When a check is done: before covers hide it, at closing, while it first runs, or after that. */
export type CheckWhen = 'beforeCovers' | 'closing' | 'firstRun' | 'afterRun'

export type CheckId =
  | 'oilPockets'
  | 'lubricated'
  | 'sealsRound'
  | 'guardGap'
  | 'pipesOn'
  | 'fuelBled'
  | 'coolingWater'
  | 'oilPressure'
  | 'noise'
  | 'leaks'
  | 'lashAgain'
  | 'tensionAgain'
  | 'boltsAgain'
  | 'paintLines'

export interface Check {
  readonly id: CheckId
  readonly when: CheckWhen
}

/** What is looked at when an engine is closed and first run, in order; what it has not is left out. Source: common practice, no source. */
export function checksOf({ loops, fuel, followers, boltGroups = [] }: BuildSheet): readonly Check[] {
  const belt = loops.some(({ kind }) => kind === 'toothedBelt')
  const pump =
    fuel === 'diesel' || (followers?.some(({ kind }) => kind.endsWith('ump') || kind === 'singlePumps') ?? false)
  const again = boltGroups.filter(mayBeTightenedAgain)
  return [
    { id: 'oilPockets', when: 'beforeCovers' },
    { id: 'lubricated', when: 'beforeCovers' },
    { id: 'sealsRound', when: 'beforeCovers' },
    ...(belt ? [{ id: 'guardGap', when: 'closing' } as const] : []),
    { id: 'pipesOn', when: 'closing' },
    ...(pump ? [{ id: 'fuelBled', when: 'closing' } as const] : []),
    { id: 'coolingWater', when: 'firstRun' },
    { id: 'oilPressure', when: 'firstRun' },
    { id: 'noise', when: 'firstRun' },
    { id: 'leaks', when: 'firstRun' },
    { id: 'lashAgain', when: 'afterRun' },
    ...(loops.length > 0 ? [{ id: 'tensionAgain', when: 'afterRun' } as const] : []),
    ...(again.length > 0 ? [{ id: 'boltsAgain', when: 'afterRun' } as const] : []),
    ...(boltGroups.length > again.length ? [{ id: 'paintLines', when: 'afterRun' } as const] : []),
  ]
}

/** Bolts are tightened again after the first run only where their own source says so; never stretch bolts, those through an angle or those in thread-locker: there a move is looked for
 *  at the paint line. Source: common practice, no source. */
export const mayBeTightenedAgain = ({ againAfterRun, stretch, stages, threadWith }: BoltGroup): boolean =>
  againAfterRun !== undefined && !stretch && !threadWith?.includes('locker') && !stages.some(({ by }) => by === 'angle')

/** What was said of a check in a job. */
export const saidOf = (state: Pick<JobState, 'kept'>, id: CheckId): EntryOf<'check'> | undefined =>
  allOf(state, 'check').find(({ checkId }) => checkId === id)

/** The usual gap of a belt's guard, mm. Source: common practice, no source. */
export const GUARD_GAP_MM = { least: 0.5, most: 1.5 } as const

/** Whether a gap lies where it is wanted, by the blade that goes and the one that does not. `cannotTell`: the two blades lie about a limit; `crossed`: the one that goes is the thicker. */
export function judgeGap(
  { goMm, noGoMm }: { readonly goMm: number; readonly noGoMm: number },
  { least, most }: { readonly least: number; readonly most: number } = GUARD_GAP_MM,
): 'right' | 'tooClose' | 'tooFar' | 'cannotTell' | 'crossed' {
  if (noGoMm <= goMm) return 'crossed'
  if (noGoMm <= least) return 'tooClose'
  if (goMm > most) return 'tooFar'
  return goMm >= least && noGoMm <= most ? 'right' : 'cannotTell'
}

/** Checks that were begun to be made in a job and are owed, said so or left out; nothing where none was made at all. */
export function checksOwed(sheet: BuildSheet, state: Pick<JobState, 'kept' | 'live'>): readonly Check[] {
  const checks = checksOf(sheet)
  if (!checks.some(({ id }) => saidOf(state, id))) return []
  return checks.filter(({ id }) => {
    const said = saidOf(state, id)
    return !said || said.is === 'owed'
  })
}

/** Bolts of a job that are told to be tightened again after the first run, and those whose paint lines are looked at instead. */
export function boltsAfterRun({ boltGroups = [] }: BuildSheet, state: Pick<JobState, 'kept' | 'live'>) {
  const tightened = boltGroups.filter((group) => stageOf(tighteningOf(group, state)) === 'done')
  return {
    again: tightened.filter(mayBeTightenedAgain),
    paintLines: tightened.filter((group) => !mayBeTightenedAgain(group)),
  }
}
