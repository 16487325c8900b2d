import { timingPlaces } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { Purpose } from '../model/purposes'
import { purposes } from './purposes'
import { schoolsOf, type Schools } from './schools'
import { stepKinds, type CrankPlace, type StepKind, type StepKindRecord } from './steps'

/** A step is data: what kind of work, on what. Screens and status are looked up by kind. */
export interface Step {
  readonly id: string
  readonly kind: StepKind
  readonly targetIds: readonly string[]
}

/** Steps that follow each other with the crank at one place, or wherever it may be. */
export interface StepGroup {
  readonly crankAt: CrankPlace | undefined
  readonly steps: readonly Step[]
}

/** What a run sheet is made by, beside the build sheet. */
export interface Asked {
  readonly purpose?: Purpose | undefined
  readonly schools: Schools
  /** A run sheet as it was kept: its kinds of step, in its order as far as their needs allow. */
  readonly kinds?: readonly StepKind[] | undefined
}

/** The steps of a job, from the build sheet, what the job is here for and how it is done here: one per loop, camshaft and tensioner where the work is per part,
 *  in an order in which each has what it needs. */
export function makeRunSheet(
  sheet: BuildSheet,
  { purpose = 'whole', schools, kinds: kept }: Asked = { schools: schoolsOf(sheet, {}) },
): Step[] {
  const wants = kept ?? purposes[purpose].wants(sheet, schools)
  const listed = kept ?? (Object.keys(stepKinds) as StepKind[]).filter((kind) => wants.includes(kind))
  const kinds = pumpFirst(
    inOrder([...new Set(listed)], (kind) => stepKinds[kind]),
    schools,
  )
  return [
    ...placeAfterPlace(
      sheet,
      kinds.flatMap((kind) => stepsOfKind(sheet, kind)),
    ),
  ]
}

/** Where a pump is set before its chain or belt goes on, it is read tight after the turns all the same. */
function pumpFirst(kinds: readonly StepKind[], { followers }: Schools): readonly StepKind[] {
  const at = kinds.indexOf('chainOnCount')
  if (followers !== 'beforeLoop' || at < 0 || !kinds.includes('pumpSet')) return kinds
  const others = kinds.filter((kind) => kind !== 'pumpSet')
  return [...others.slice(0, at), 'pumpSet', ...others.slice(at)]
}

/** The same steps, by where the crank has to stand for them. */
export function inGroups(sheet: BuildSheet, steps: readonly Step[]): StepGroup[] {
  const groups: { crankAt: CrankPlace | undefined; steps: Step[] }[] = []
  for (const step of steps) {
    const at = recordOf(step.kind).crankAt?.(sheet, step.targetIds)
    const last = groups.at(-1)
    if (last && last.crankAt?.deg === at?.deg && last.crankAt?.at === at?.at) last.steps.push(step)
    else groups.push({ crankAt: at, steps: [step] })
  }
  return groups
}

/** Every step that a run sheet of an engine can have of itself. */
export const everyStepOf = (sheet: BuildSheet): readonly Step[] =>
  (Object.keys(stepKinds) as StepKind[]).flatMap((kind) => stepsOfKind(sheet, kind))

/** The kinds of step that a mechanic may add on an engine: those that it has something for. */
export const catalogueOf = (sheet: BuildSheet): readonly StepKind[] =>
  (Object.keys(stepKinds) as StepKind[]).filter(
    (kind) => kind !== 'makeSafe' && kind !== 'card' && recordOf(kind).targets(sheet).length > 0,
  )

/** What the steps of a kind are done on. */
export const targetsOf = (sheet: BuildSheet, kind: StepKind): readonly (readonly string[])[] =>
  recordOf(kind).targets(sheet)

const recordOf = (kind: StepKind): StepKindRecord => stepKinds[kind]

const stepsOfKind = (sheet: BuildSheet, kind: StepKind): Step[] =>
  recordOf(kind)
    .targets(sheet)
    .map((targetIds, n) => ({ id: idOf(kind, targetIds, n), kind, targetIds }))

/** Steps that are worked at a place of the crank, all of one place before those of the next, the timing position first: one bank or cylinder after the
 *  other. */
function placeAfterPlace(sheet: BuildSheet, steps: readonly Step[]): readonly Step[] {
  const places = timingPlaces(sheet)
  const placeOf = ({ kind, targetIds }: Step) => recordOf(kind).workedAt?.(sheet, targetIds)
  const first = steps.findIndex((step) => placeOf(step) !== undefined)
  if (places.length < 2 || first < 0) return steps
  const worked = steps.filter((step) => placeOf(step) !== undefined)
  const before = steps.slice(0, first)
  const after = steps.slice(first).filter((step) => placeOf(step) === undefined)
  return [...before, ...places.flatMap((deg) => worked.filter((step) => placeOf(step) === deg)), ...after]
}

/** An id is at most so long: a step on many parts, or on one with a long id, is called by its number. */
const MOST_ID = 64
const LISTS_ITS_PARTS: readonly StepKind[] = [
  'lashFound',
  'lashLeft',
  'lookOver',
  'wear',
  'pressures',
  'slackFound',
  'slackSet',
]

function idOf(kind: StepKind, targetIds: readonly string[], n: number): string {
  const id = LISTS_ITS_PARTS.includes(kind) ? kind : [kind, ...targetIds].join('-')
  return id.length <= MOST_ID ? id : `${kind}-${n + 1}`
}

/** Things in an order in which each comes after all that give what it needs; of those that may come next, the one that stands first. What nobody gives
 *  is not waited for. */
export function inOrder<T>(things: readonly T[], recordOf: (thing: T) => Pick<StepKindRecord, 'needs' | 'gives'>): T[] {
  const waiting = [...things]
  const done: T[] = []
  while (waiting.length > 0) {
    const next = waiting.findIndex((thing) =>
      recordOf(thing).needs.every((need) =>
        waiting.every((other) => other === thing || !recordOf(other).gives.includes(need)),
      ),
    )
    // Two that need each other: then they stay as they stand.
    done.push(...waiting.splice(Math.max(0, next), 1))
  }
  return done
}
