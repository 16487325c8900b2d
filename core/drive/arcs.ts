import { directionDeg, polar, SAME_ANGLE_DEG, tangentBetween, type Point, type Tangent } from '../geometry'
import { err, ok, type Result } from '../result'
import { wrapTo360 } from '../units'
import type { PathError, PathMember } from './path'

/** Where a loop meets a guide that is an arc: at one of its ends, or on it. */
type Touch = 'start' | 'arc' | 'end'
export interface Touches {
  readonly arrive: Touch
  readonly leave: Touch
}

/** Which way a point lies from the middle of a member, degrees. */
export const angleAbout = ({ centre }: Pick<PathMember, 'centre'>, { x, y }: Point) =>
  directionDeg({ x: x - centre.x, y: y - centre.y })

/** The runs between members, each guide met where the loop meets it: a run that would leave the arc bends at its end instead. Found by laying all of them
 *  on whole circles first and then moving the ends until none changes. Errors: two that stand too close.
 *  Source: support points of a convex arc. */
export function meetArcs(
  members: readonly PathMember[],
): Result<{ readonly tangents: Tangent[]; readonly touches: readonly Touches[] }, PathError> {
  let touches = members.map((): Touches => ({ arrive: 'arc', leave: 'arc' }))
  const next = (i: number) => (i + 1) % members.length
  for (let round = 0; ; round++) {
    const met = members.map((member, i) => {
      const other = members[next(i)] as PathMember
      return tangentBetween(shape(member, touches[i]?.leave), shape(other, touches[next(i)]?.arrive))
    })
    const changed = members.map((member, i): Touches => {
      const after = next(i)
      const from = members.at(i - 1) as PathMember
      const to = members[after] as PathMember
      return member.ends
        ? {
            arrive: touchOf(member, tangentBetween(shape(from, touches.at(i - 1)?.leave), member), 'to', 'start'),
            leave: touchOf(member, tangentBetween(member, shape(to, touches[after]?.arrive)), 'from', 'end'),
          }
        : { arrive: 'arc', leave: 'arc' }
    })
    const same = changed.every(({ arrive, leave }, i) => touches[i]?.arrive === arrive && touches[i]?.leave === leave)
    if (same || round > 2 * members.length + 4) {
      const bad = met.findIndex((one) => !one.ok)
      const one = met[bad]
      if (one && !one.ok)
        return err({
          code: 'membersTooClose',
          memberIds: [members[bad]?.memberId ?? '', members[next(bad)]?.memberId ?? ''],
          shortMm: one.error.shortMm,
        })
      return ok({ tangents: met.flatMap((tangent) => (tangent.ok ? [tangent.value] : [])), touches })
    }
    touches = changed
  }
}

/** A member as a run meets it: the whole of it, or the end of its arc. */
function shape(member: PathMember, touch: Touch | undefined): PathMember {
  if (!member.ends || touch === 'arc' || touch === undefined) return member
  return { ...member, centre: polar(member.centre, member.radiusMm, endOf(member, touch)), radiusMm: 0 }
}

const endOf = ({ ends }: PathMember, touch: 'start' | 'end') => ends?.[touch === 'start' ? 0 : 1] ?? 0

/** On which part of its arc a run would meet the whole circle; one that cannot reach it meets the end it comes to first. */
function touchOf(
  member: PathMember,
  tangent: ReturnType<typeof tangentBetween>,
  which: 'from' | 'to',
  first: 'start' | 'end',
): Touch {
  if (!tangent.ok) return first
  const on = wrapTo360(member.side * (angleAbout(member, tangent.value[which]) - endOf(member, 'start')))
  const span = spanOf(member)
  if (on <= span + SAME_ANGLE_DEG || on >= 360 - SAME_ANGLE_DEG) return 'arc'
  return on - span < 360 - on ? 'end' : 'start'
}

const spanOf = (member: PathMember) => wrapTo360(member.side * (endOf(member, 'end') - endOf(member, 'start')))

/** From where to where a loop lies on an arc, degrees about its centre. */
export function contacts(
  member: PathMember,
  { arrive, leave }: Touches,
  arriving: Tangent,
  leaving: Tangent,
): readonly [number, number] {
  return [
    arrive === 'arc' ? angleAbout(member, arriving.to) : endOf(member, arrive),
    leave === 'arc' ? angleAbout(member, leaving.from) : endOf(member, leave),
  ]
}
