import { cylindersRead, followerOfJob, followersOf, type FollowerTrade } from '../followers'
import { judgeGap } from '../lash'
import { allOf, lastIn, toothOf, type JobState } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import type { StepKind } from '../model/stepKinds'
import { spreadOf } from './pressures'

export type Symptom = EntryOf<'symptom'>['symptom']
export type Settling = 'found' | 'ruledOut' | 'open'

interface Looked {
  readonly sheet: BuildSheet
  readonly state: JobState
}

/** What can be behind what an engine does. */
export interface FaultCause {
  readonly shows: readonly Symptom[]
  /** The step whose reading tells; without one somebody looks and says. */
  readonly step?: StepKind
  /** Whether the build sheet has what that step is done on. */
  readonly stepIf?: (sheet: BuildSheet) => boolean
  /** Whether an engine can have it at all. */
  readonly can?: (sheet: BuildSheet) => boolean
  /** What the readings say of it. */
  readonly judge?: (looked: Looked) => Settling
}

/** Under so much at the crank a late camshaft is left alone. Source: handbook 10, road diesel. */
const LATE_DEG = 3

/** Causes, the cheapest to tell first: what is seen and heard, then a feeler, then the marks, then what has to come off. Common practice, no source. */
export const faultCauses = {
  tensionerGone: {
    shows: ['noiseAtIdle', 'badAfterBelt'],
    step: 'lookOver',
    can: ({ members }) => members.some(({ kind }) => kind === 'tensioner'),
    judge: (looked) => judgeFindings(looked, 'tensioner'),
  },
  lobeWorn: {
    shows: ['noPower', 'noiseAtIdle'],
    step: 'lookOver',
    can: hasCamshaft,
    judge: (looked) => judgeFindings(looked, 'camshaft'),
  },
  ignitionLate: {
    shows: ['noPower', 'hardStarting'],
    step: 'sparkFound',
    stepIf: (sheet) => followersOf(sheet, 'spark').length > 0,
    can: ({ fuel }) => fuel !== 'diesel',
    judge: (looked) => judgeFollowers(looked, 'spark'),
  },
  lashTight: {
    shows: ['hardStarting', 'noPower'],
    step: 'lashFound',
    can: hasValves,
    judge: (looked) => judgeLash(looked, 'tight'),
  },
  lashWide: {
    shows: ['noiseAtIdle', 'noPower'],
    step: 'lashFound',
    can: hasValves,
    judge: (looked) => judgeLash(looked, 'wide'),
  },
  toothOut: {
    shows: ['badAfterBelt', 'noPower', 'hardStarting'],
    step: 'asFound',
    can: hasCamshaft,
    judge: (looked) => judgeLate(looked, (teeth) => teeth >= 0.75),
  },
  lateByWear: {
    shows: ['smoke', 'noPower', 'hardStarting'],
    step: 'asFound',
    can: hasCamshaft,
    judge: (looked) => judgeLate(looked, (teeth, deg) => teeth < 0.75 && deg >= LATE_DEG),
  },
  slackOnPulledRun: {
    shows: ['badAfterBelt'],
    step: 'asFound',
    can: ({ loops }) => loops.length > 0,
    judge: (looked) => judgeLate(looked, (teeth, deg) => teeth < 0.75 && deg >= LATE_DEG),
  },
  loopGrown: { shows: ['noiseAtIdle'], step: 'wear', can: ({ loops }) => loops.length > 0, judge: judgeGrown },
  pumpLate: {
    shows: ['smoke', 'noPower', 'hardStarting'],
    step: 'pumpFound',
    stepIf: (sheet) => followersOf(sheet, 'fuel').length > 0,
    can: ({ fuel }) => fuel === 'diesel',
    judge: (looked) => judgeFollowers(looked, 'fuel'),
  },
  cylinderWeak: { shows: ['hardStarting', 'smoke', 'noPower'], step: 'pressures', judge: judgePressures },
} satisfies Record<string, FaultCause>

export type FaultCauseId = keyof typeof faultCauses

export interface Suspected {
  readonly id: FaultCauseId
  readonly step: StepKind | undefined
  readonly is: Settling
  /** What settled it: a reading of this job, or somebody's word. */
  readonly by: 'reading' | 'word' | undefined
}

/** What can be behind what the engine is said to do, the cheapest to tell first, each with how it stands. A word said later than the readings counts for more than
 *  what they say. */
export function suspectsOf(sheet: BuildSheet, state: JobState): readonly Suspected[] {
  const there = new Set(allOf(state, 'symptom').flatMap(({ symptom, is }) => (is === 'there' ? [symptom] : [])))
  const settled = new Map(allOf(state, 'causeSettled').map((one) => [one.cause, one.is]))
  return (Object.entries(faultCauses) as [FaultCauseId, FaultCause][])
    .filter(([, { shows, can }]) => shows.some((one) => there.has(one)) && (can?.(sheet) ?? true))
    .map(([id, { step: kind, stepIf, judge }]) => {
      const step = stepIf && !stepIf(sheet) ? undefined : kind
      const word = settled.get(id)
      const read = judge?.({ sheet, state }) ?? 'open'
      if (word && word !== 'open') return { id, step, is: word, by: 'word' }
      return { id, step, is: read, by: read === 'open' ? undefined : 'reading' }
    })
}

/** The first that is still open, and so the cheapest reading that tells. */
export const nextSuspect = (suspects: readonly Suspected[]) => suspects.find(({ is }) => is === 'open')

function hasCamshaft({ shafts }: BuildSheet) {
  return shafts.some(({ kind }) => kind === 'cam')
}
function hasValves({ cams }: BuildSheet) {
  return cams.length > 0
}

function judgeFindings({ state }: Looked, part: EntryOf<'finding'>['part']): Settling {
  const seen = allOf(state, 'finding').filter((one) => one.part === part)
  if (seen.some(({ verdict }) => verdict !== 'goesOn')) return 'found'
  return seen.length > 0 ? 'ruledOut' : 'open'
}

function judgeLash({ sheet, state }: Looked, which: 'tight' | 'wide'): Settling {
  const judged = sheet.cams.map((cam) => {
    const entry = lastIn(state, 'lash', 'found', cam.id)
    if (!entry) return undefined
    const { verdict } = judgeGap(
      entry.noGoMm === undefined ? entry.gapMm : { goMm: entry.gapMm, noGoMm: entry.noGoMm },
      { lashMm: cam.lashMm?.value, lashToMm: cam.lashToMm?.value },
    )
    return verdict
  })
  if (judged.some((verdict) => verdict === which)) return 'found'
  return judged.every((verdict) => verdict !== undefined && verdict !== 'noBook') ? 'ruledOut' : 'open'
}

/** Fuel or spark as found: late where its whole ± is short of its band, ruled out where all that was read lies in it. */
function judgeFollowers({ sheet, state }: Looked, trade: FollowerTrade): Settling {
  const found = followersOf(sheet, trade).flatMap((follower) =>
    cylindersRead(follower).map((cylinderId) => followerOfJob(sheet, state, follower, cylinderId).found?.against),
  )
  if (found.some((against) => against?.is === 'under' && against.sure === 'sure')) return 'found'
  return found.length > 0 && found.every((against) => against?.is === 'in') ? 'ruledOut' : 'open'
}

function judgeLate({ sheet, state }: Looked, is: (teeth: number, deg: number) => boolean): Settling {
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const found = camshafts.flatMap(({ id }) => {
    const timing = state.timing[id]?.found
    return timing ? [{ deg: Math.abs(timing.latenessDeg), tooth: toothOf(sheet, id) ?? 18 }] : []
  })
  if (found.some(({ deg, tooth }) => is(deg / tooth, deg))) return 'found'
  return found.length === camshafts.length && camshafts.length > 0 ? 'ruledOut' : 'open'
}

function judgeGrown({ sheet, state }: Looked): Settling {
  const percents = sheet.loops.map((loop) => {
    const lengths = allOf(state, 'chainLength').filter(({ loopId }) => loopId === loop.id)
    const pitch = loop.pitchMm?.value
    return pitch && lengths.length > 0
      ? Math.max(...lengths.map(({ measuredMm, overPitches }) => (measuredMm / (overPitches * pitch) - 1) * 100))
      : undefined
  })
  if (percents.some((one) => one !== undefined && one >= 1)) return 'found'
  return percents.every((one) => one !== undefined) ? 'ruledOut' : 'open'
}

function judgePressures({ sheet, state }: Looked): Settling {
  const spreads = (['compression', 'leakDown'] as const).flatMap(
    (what) => spreadOf(allOf(state, 'pressure'), what) ?? [],
  )
  if (spreads.some(({ verdict }) => verdict === 'weak')) return 'found'
  const even = spreads.find(({ verdict, read }) => verdict === 'even' && read >= sheet.cylinders.length)
  return even ? 'ruledOut' : 'open'
}
