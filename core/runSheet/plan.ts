import type { EntryOf } from '../model/entry'
import type { Step } from './makeRunSheet'
import { stepKinds, type Given, type StepKindRecord } from './steps'

type Plan = Pick<EntryOf<'plan'>, 'does' | 'target' | 'stepKind' | 'targetIds' | 'before' | 'reason'>

const recordOf = ({ kind }: Step): StepKindRecord => stepKinds[kind]

/** A run sheet as somebody changed it, and what was left out of it and why. A line that no longer says anything, as its step is not there, changes nothing. */
export function applyPlan(
  steps: readonly Step[],
  plans: readonly Plan[],
): { readonly steps: readonly Step[]; readonly leftOut: readonly { readonly step: Step; readonly reason: string }[] } {
  let now = [...steps]
  const leftOut: { step: Step; reason: string }[] = []
  for (const { does, target, stepKind, targetIds = [], before, reason } of plans) {
    const step = now.find(({ id }) => id === target)
    if (does === 'add' && stepKind && !step) now = put(now, { id: target, kind: stepKind, targetIds }, before)
    if (does === 'leaveOut' && step && mayLeaveOut(step)) {
      now = now.filter((one) => one !== step)
      leftOut.push({ step, reason })
    }
    if (does === 'move' && step && mayLeaveOut(step) && whatItNeeds(now, step.id, before).length === 0)
      now = put(
        now.filter((one) => one !== step),
        step,
        before,
      )
  }
  return { steps: now, leftOut }
}

/** Making safe and the card belong to every job, first and last. */
export const mayLeaveOut = ({ kind }: Step): boolean => kind !== 'makeSafe' && kind !== 'card'

/** Before a step, or before the card; never before it was made safe. */
function put(steps: readonly Step[], step: Step, before: string | undefined): Step[] {
  const named = steps.findIndex(({ id }) => id === before)
  const card = steps.findIndex(({ kind }) => kind === 'card')
  const least = steps.findIndex(({ kind }) => kind === 'makeSafe') + 1
  const at = Math.max(least, named >= 0 ? named : card >= 0 ? card : steps.length)
  return [...steps.slice(0, at), step, ...steps.slice(at)]
}

export interface Needed {
  /** The step that gives it, and so comes first; and the one that needs it. */
  readonly first: Step
  readonly then: Step
  readonly given: Given
}

/** Why a step cannot be moved there: steps that would come before what they need. None: it can. The card stays last. */
export function whatItNeeds(steps: readonly Step[], stepId: string, before: string | undefined): readonly Needed[] {
  const step = steps.find(({ id }) => id === stepId)
  if (!step) return []
  const then = put(
    steps.filter((one) => one !== step),
    step,
    before,
  )
  return tooEarly(then).filter(({ first, then: later }) => first === step || later === step)
}

/** Steps that stand before what they need: somebody gives it, and nobody before them does; or it is given later on the same part. */
export const tooEarly = (steps: readonly Step[]): readonly Needed[] =>
  steps.flatMap((one, i) =>
    recordOf(one).needs.flatMap((given) => {
      const gives = (step: Step) => recordOf(step).gives.includes(given)
      const later = steps.slice(i + 1).filter(gives)
      const had = steps.slice(0, i).some(gives)
      return later
        .filter((step) => !had || step.targetIds.some((id) => one.targetIds.includes(id)))
        .map((step) => ({ first: step, then: one, given }))
    }),
  )

/** An id for one more step of a kind. */
export function idOfNext(steps: readonly Step[], kind: Step['kind']): string {
  const taken = new Set(steps.map(({ id }) => id))
  let n = 2
  while (taken.has(`${kind}-again-${n}`)) n++
  return `${kind}-again-${n}`
}
