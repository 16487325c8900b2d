import { crankMarksOf, type CrankMark } from '@link-count/core/byMark'
import { firingDegOf, judgeFiring } from '@link-count/core/cylinders'
import { aimOfJob, beforeTdc } from '@link-count/core/followers'
import { planTurn, type TurnPlan } from '@link-count/core/guard'
import { cycleEvents, nextEvent, type CycleEvent, type Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, wrapTo360, wrapToCycle, wrapToSigned, wrapToSigned180 } from '@link-count/core/units'
import type { JobView } from '../../domain/views'

export interface TurnTarget {
  readonly deg: number
  readonly words: string
}

/** A mark this near to a place says that the crank stands there. */
const AT_PLACE_DEG = 1

/** The mark by which the crank is seen at a place; undefined where it has none there. */
export const crankMarkAt = ({ sheet }: Pick<JobView, 'sheet'>, placeDeg: number): CrankMark | undefined =>
  crankMarksOf(sheet).find((mark) => Math.abs(wrapToSigned180(mark.placeDeg - placeDeg)) <= AT_PLACE_DEG)

/** Where the crank belongs for a step; undefined when the step does not turn it to a place. */
export function targetOfStep(step: Step, view: JobView): TurnTarget | undefined {
  const { sheet, groups } = view
  const served = followerTarget(step, view)
  if (served) return served
  const place = groups.find(({ steps }) => steps.some(({ id }) => id === step.id))?.crankAt
  if (!place) return undefined
  const { at, deg } = place
  const zeroName = partsOf(sheet).cylinder(sheet.zeroCylinderId)?.name ?? ''
  const words = {
    tdc: `TDC of cylinder ${zeroName}`,
    mark: placeWords(view, deg),
    pose: `the timing position: ${poseWords(view)}`,
  }
  return { deg, words: words[at] }
}

/** Where the crank belongs for fuel or spark: at firing TDC for a lift, else as far before it as is wanted. */
export function followerTarget(
  { targetIds }: Pick<Step, 'targetIds'>,
  { sheet, state }: Pick<JobView, 'sheet' | 'state'>,
  cylinderId?: string,
): TurnTarget | undefined {
  const follower = sheet.followers?.find(({ id }) => id === targetIds[0])
  const own = cylinderId ?? follower?.wanted?.cylinderId ?? sheet.zeroCylinderId
  const firing = firingDegOf(sheet, own)
  if (!follower || firing === undefined) return undefined
  const name = partsOf(sheet).cylinder(own)?.name ?? ''
  const aim = aimOfJob(follower, state)
  const place = aim && beforeTdc(sheet, { ...aim, plusMinus: 0 })
  if (typeof place !== 'object') return { deg: firing, words: `firing TDC, cylinder ${name}` }
  return {
    deg: wrapToCycle(firing - place.deg, sheet.cycleDeg),
    words: `${fixed(place.deg, 1)}° before firing TDC, cylinder ${name}`,
  }
}

export function poseWords({ sheet }: Pick<JobView, 'sheet'>): string {
  const { event, cylinderId, crankDeg } = sheet.referencePose
  const name = partsOf(sheet).cylinder(cylinderId)?.name ?? ''
  if (event === 'other') return `${fixed(crankDeg.value, 1)}° of the crank`
  return `${event === 'firingTdc' ? 'firing' : 'overlap'} TDC, cylinder ${name}`
}

/** A place at which something meets: a cylinder's TDC where it is one, else in degrees of the crank. */
export function placeWords(view: Pick<JobView, 'sheet'>, placeDeg: number): string {
  const { sheet } = view
  if (placeDeg === sheet.referencePose.crankDeg.value) return poseWords(view)
  const { places } = judgeFiring(sheet)
  const at = (deg: number | undefined) =>
    deg !== undefined && Math.abs(wrapToSigned(placeDeg - deg, sheet.cycleDeg)) < 0.5
  const firing = sheet.cylinders.find(({ id }) => at(places[id]))
  const event = sheet.cycleDeg === 720 ? 'firing TDC' : 'TDC'
  if (firing) return `${event}, cylinder ${firing.name}`
  const overlap = sheet.cylinders.find(({ id }) => at(places[id] === undefined ? undefined : (places[id] ?? 0) + 360))
  if (overlap && sheet.cycleDeg === 720) return `overlap TDC, cylinder ${overlap.name}`
  return `${fixed(placeDeg, 1)}° of the crank, where its mark meets`
}

export function planTo(view: JobView, toDeg: number): TurnPlan {
  const { sheet, state, guard } = view
  const { deg, freshApproach } = state.crank
  const neverBack = view.schools.reversing === 'never'
  return planTurn({ guard, fromDeg: deg, toDeg, cycleDeg: sheet.cycleDeg, freshApproach, neverBack })
}

/** What the degree wheel reads at a place of the crank. */
export const wheelAt = ({ state }: Pick<JobView, 'state'>, crankDeg: number) =>
  wrapTo360((state.zero?.wheelDeg ?? 0) + crankDeg)

export function nextThing(view: JobView): { event: CycleEvent; aheadDeg: number } | undefined {
  const { deg } = view.state.crank
  return deg === undefined ? undefined : nextEvent(cycleEvents(view.sheet, view.state), deg, view.sheet.cycleDeg)
}

export function eventWords(event: CycleEvent, view: Pick<JobView, 'sheet'>): string {
  const name = partsOf(view.sheet).cylinder(event.cylinderId)?.name ?? ''
  switch (event.kind) {
    case 'firingTdc':
      return `firing TDC, cylinder ${name}`
    case 'pose':
      return `the timing position: ${poseWords(view)}`
    case 'sparks':
      return `spark of cylinder ${name}`
    case 'delivers':
      return `delivery to cylinder ${name}`
    case 'opens':
    case 'closes':
      return `${event.valve} ${event.kind}, cylinder ${name}`
  }
}
