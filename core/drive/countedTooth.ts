import { SAME_ANGLE_DEG } from '../geometry'
import { wrapTo360 } from '../units'
import { arcOf, type Path } from './path'

/** Teeth that the tooth counted to stays inside the wrap, either way: a camshaft so many teeth out still has it on the loop. */
export const MARGIN_TEETH = 2

export interface CountedTooth {
  /** So many teeth on from the mark, + = along the loop's travel; 0 = the mark itself. */
  readonly teeth: number
  /** Where it lies on the path, pitches. */
  readonly atPitches: number
}

/** What is counted to at a mark: the mark itself where it stands so many teeth inside the wrap of its wheel, else the nearest tooth that does, named
 *  by how far it is from the mark. The wrap stands still while the teeth pass through it, so that "the nearest engaged tooth" would count alike however far
 *  out the wheel is. A mark on a wrap too short for that is counted to itself. `wrapTooShort` where the mark is off such a wrap: a count there
 *  cannot tell. Undefined when the wheel is not on the path.
 *  In: the direction of the mark in the timing position, plane degrees; the margin, teeth (none for the wheel that drives: it stays as it is).
 *  Source: handbook 8. */
export function countedTooth(
  path: Path,
  { memberId, teeth, deg, marginTeeth }: { memberId: string; teeth: number; deg: number; marginTeeth: number },
): CountedTooth | 'wrapTooShort' | undefined {
  const arc = arcOf(path, memberId)
  if (!arc) return undefined
  const side = Math.sign(arc.sweepDeg) || 1
  const pastStart = (wrapTo360(side * (deg - arc.fromDeg)) * teeth) / 360
  const slip = (SAME_ANGLE_DEG * teeth) / 360
  const [first, last] = [marginTeeth - slip, arc.pitches - marginTeeth + slip]
  const atMark = { teeth: 0, atPitches: arc.startPitches + pastStart }
  if (pastStart >= first && pastStart <= last) return atMark
  // On from before the wrap or inside its beginning; back from its end or behind it.
  const before = pastStart > last ? pastStart - teeth : pastStart
  const onward = Math.ceil(first - before)
  const behind = pastStart < first ? pastStart + teeth : pastStart
  const back = Math.floor(last - behind)
  const [named, at] = onward <= -back ? [onward, before + onward] : [back, behind + back]
  if (at >= first && at <= last) return { teeth: named, atPitches: arc.startPitches + at }
  return pastStart <= arc.pitches + slip ? atMark : 'wrapTooShort'
}
