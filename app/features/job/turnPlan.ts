import { showOnScale } from '@link-count/core/degreeWheel'
import { planTurn, type TurnPlan } from '@link-count/core/guard'
import { cycleEvents, nextEvent, type CycleEvent, type Step } from '@link-count/core/runSheet'
import { fixed, wrapTo360, type Side } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { reasonWords, sideName, turnWords } from '../../ui/wording'

export interface TurnTarget {
  readonly deg: number
  readonly words: string
}

/** Where the crank belongs for a step; undefined when the step does not turn it to a place. */
export function targetOfStep(step: Step, view: JobView): TurnTarget | undefined {
  const { sheet } = view
  const zeroName = sheet.cylinders.find(({ id }) => id === sheet.zeroCylinderId)?.name ?? ''
  switch (step.kind) {
    case 'whichTdc':
      return { deg: 0, words: `TDC of cylinder ${zeroName}` }
    case 'setCam': {
      const mark = sheet.marks.find(
        ({ memberId, meetsAtDeg }) =>
          meetsAtDeg && sheet.members.some(({ id, shaftId }) => id === memberId && shaftId === step.targetIds[0]),
      )
      return mark?.meetsAtDeg
        ? {
            deg: mark.meetsAtDeg.value,
            words: `${fixed(mark.meetsAtDeg.value, 1)}° of the crank, where its mark meets`,
          }
        : { deg: sheet.referencePose.crankDeg.value, words: `the pose: ${poseWords(view)}` }
    }
    case 'poseChainOff':
    case 'chainOnCount':
      return { deg: sheet.referencePose.crankDeg.value, words: `the pose: ${poseWords(view)}` }
    default:
      return undefined
  }
}

export function poseWords({ sheet }: Pick<JobView, 'sheet'>): string {
  const { event, cylinderId, crankDeg } = sheet.referencePose
  const name = sheet.cylinders.find(({ id }) => id === cylinderId)?.name ?? ''
  if (event === 'other') return `${fixed(crankDeg.value, 1)}° of the crank`
  return `${event === 'firingTdc' ? 'firing' : 'overlap'} TDC, cylinder ${name}`
}

export function planTo(view: JobView, toDeg: number): TurnPlan {
  const { sheet, state, guard } = view
  const { deg, freshApproach } = state.crank
  return planTurn({ guard, fromDeg: deg, toDeg, cycleDeg: sheet.cycleDeg, freshApproach })
}

/** A turn in words for the side stood at, or what has to be freed first. It never says more than the guard allows. */
export function planWords(
  plan: TurnPlan,
  { words: target, deg: toDeg }: TurnTarget,
  view: JobView,
  side: Side,
): string {
  const { sheet, state } = view
  const seen = `seen from the ${sideName(sheet, side)}`
  switch (plan.kind) {
    case 'there':
      return `At ${target}. Hold it here`
    case 'turn':
      return `Turn ${turnWords(plan.deg, sheet, side)}, ${seen}, to ${target}`
    case 'backFirst':
      return `Overshot: first ${turnWords(-plan.backDeg, sheet, side)} back, then come again to ${target}`
    case 'freeFirst': {
      const [first] = plan.reasons
      return `Before turning to ${target}: ${first ? lower(reasonWords(first, sheet).free) : 'see the guard'}`
    }
    case 'placeUnknown': {
      const { zero, crank } = state
      if (state.zeros.life === 'inDoubt') return 'The zero is in doubt: read it again first'
      if (!zero) return 'Where the crank stands is not known yet: find TDC first'
      if (crank.wheelDisagreesDeg !== undefined) {
        return `Wheel and turns disagree by ${fixed(crank.wheelDisagreesDeg, 1)}°: bring it to TDC and say so again`
      }
      return `To ${target}: bring the wheel to ${showOnScale(wheelAt(view, toDeg), state.degreeWheel)}. Which turn it is on is not known`
    }
  }
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** What the degree wheel reads at a place of the crank. */
export const wheelAt = ({ state }: Pick<JobView, 'state'>, crankDeg: number) =>
  wrapTo360((state.zero?.wheelDeg ?? 0) + crankDeg)

export function nextThing(view: JobView): { event: CycleEvent; aheadDeg: number } | undefined {
  const { deg } = view.state.crank
  return deg === undefined ? undefined : nextEvent(cycleEvents(view.sheet), deg, view.sheet.cycleDeg)
}

export function eventWords(event: CycleEvent, view: Pick<JobView, 'sheet'>): string {
  const name = view.sheet.cylinders.find(({ id }) => id === event.cylinderId)?.name ?? ''
  switch (event.kind) {
    case 'firingTdc':
      return `firing TDC, cylinder ${name}`
    case 'pose':
      return `the pose: ${poseWords(view)}`
    case 'opens':
    case 'closes':
      return `${event.valve} ${event.kind}, cylinder ${name}`
  }
}
