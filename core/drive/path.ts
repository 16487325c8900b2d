import { directionDeg, polar, SAME_ANGLE_DEG, type PassedCircle, type Point, type Tangent } from '../geometry'
import { err, ok, type Result } from '../result'
import { angleAbout, contacts, meetArcs, type Touches } from './arcs'
import { wrapTo360 } from '../units'

export interface PathMember extends PassedCircle {
  readonly memberId: string
  /** Undefined for a plain idler, guide or tensioner. */
  readonly teeth?: number | undefined
  /** Of a guide that is an arc and no circle: where it starts and ends as the loop travels over it, degrees about its centre. */
  readonly ends?: readonly [number, number] | undefined
}

interface Stretch {
  readonly startPitches: number
  readonly pitches: number
}
/** Round a member, or a bowed slack run (then no memberId). */
export interface PathArc extends Stretch {
  readonly kind: 'arc'
  readonly memberId?: string
  readonly centre: Point
  readonly radiusMm: number
  readonly fromDeg: number
  /** Signed, + = counter-clockwise. */
  readonly sweepDeg: number
}
export interface PathRun extends Stretch {
  readonly kind: 'run'
  readonly fromMemberId: string
  readonly toMemberId: string
  readonly from: Point
  readonly to: Point
  readonly lengthMm: number
}
export type PathPiece = PathArc | PathRun

export interface Path {
  readonly pieces: readonly PathPiece[]
  readonly pitches: number
  readonly pitchMm: number
}

export type PathError =
  | { readonly code: 'tooFewMembers' }
  | { readonly code: 'membersTooClose'; readonly memberIds: readonly [string, string]; readonly shortMm: number }
  | { readonly code: 'notTouched'; readonly memberId: string }

/** The path of a loop round its members, in the order it meets them.
 *  In: circles with radii to the pin or pitch line, side +1 where passed counter-clockwise. Out: an arc on each member
 *  and a run to the next, lengths in pitches (runs / p; toothed wrap·z / 360; plain arc / p).
 *  Errors: fewer than two members; which two stand too close; a member that the loop does not touch.
 *  Source: tangents of directed circles; the turning of a closed loop is one whole turn. */
export function solvePath(members: readonly PathMember[], pitchMm: number): Result<Path, PathError> {
  if (members.length < 2) return err({ code: 'tooFewMembers' })
  const met = meetArcs(members)
  if (!met.ok) return met
  const { tangents, touches } = met.value
  const wraps = members.map((member, i) => wrapOf(member, tangents.at(i - 1) as Tangent, tangents[i] as Tangent))
  const turning = members.reduce((sum, { side }, i) => sum + side * (wraps[i] ?? 0), 0)
  if (Math.abs(Math.abs(turning) - 360) > 0.01) {
    const widest = wraps.indexOf(Math.max(...wraps))
    return err({ code: 'notTouched', memberId: members[widest]?.memberId ?? '' })
  }
  const arcs = members.map((member, i) => {
    const [arriving, leaving] = [tangents.at(i - 1) as Tangent, tangents[i] as Tangent]
    const wrap = wraps[i] ?? 0
    if (!member.ends) return { fromDeg: angleAbout(member, arriving.to), wrap }
    const [from, to] = contacts(member, touches[i] as Touches, arriving, leaving)
    const over = wrapTo360(member.side * (to - from))
    return { fromDeg: from, wrap: over > 360 - SAME_ANGLE_DEG ? 0 : over }
  })
  return ok(joinPieces(members, tangents, arcs, pitchMm))
}

function wrapOf({ side }: PathMember, arriving: Tangent, leaving: Tangent): number {
  const wrap = wrapTo360(side * (directionDeg(leaving.along) - directionDeg(arriving.along)))
  return wrap > 360 - SAME_ANGLE_DEG ? 0 : wrap
}

function joinPieces(
  members: readonly PathMember[],
  tangents: readonly Tangent[],
  arcs: readonly { readonly fromDeg: number; readonly wrap: number }[],
  pitchMm: number,
): Path {
  const pieces: PathPiece[] = []
  let startPitches = 0
  members.forEach((member, i) => {
    const leaving = tangents[i] as Tangent
    const { fromDeg = 0, wrap = 0 } = arcs[i] ?? {}
    const { memberId, centre, radiusMm, side, teeth } = member
    const arcPitches = teeth ? (wrap * teeth) / 360 : (wrap * Math.PI * radiusMm) / 180 / pitchMm
    pieces.push({
      kind: 'arc',
      memberId,
      centre,
      radiusMm,
      fromDeg,
      sweepDeg: side * wrap,
      startPitches,
      pitches: arcPitches,
    })
    startPitches += arcPitches
    const { from, to, lengthMm } = leaving
    const toMemberId = (members[(i + 1) % members.length] as PathMember).memberId
    pieces.push({
      kind: 'run',
      fromMemberId: memberId,
      toMemberId,
      from,
      to,
      lengthMm,
      startPitches,
      pitches: lengthMm / pitchMm,
    })
    startPitches += lengthMm / pitchMm
  })
  return { pieces, pitches: startPitches, pitchMm }
}

/** The same path with its runs told as longer or shorter, alike, so that the whole has so many pitches: what is drawn where the places of the wheels are not
 *  known. The wraps keep their teeth. */
export function stretchRuns(path: Path, pitches: number): Path {
  const onRuns = path.pieces.reduce((sum, piece) => sum + (piece.kind === 'run' ? piece.pitches : 0), 0)
  const wraps = path.pitches - onRuns
  const times = onRuns > 0 ? Math.max(0.05, (pitches - wraps) / onRuns) : 1
  let startPitches = 0
  const pieces = path.pieces.map((piece) => {
    const moved = { ...piece, startPitches, pitches: piece.kind === 'run' ? piece.pitches * times : piece.pitches }
    startPitches += moved.pitches
    return moved
  })
  return { ...path, pieces, pitches: startPitches }
}

/** The same path with one run bowed outwards so that the whole is `pitches` long: how slack without a tensioner lies. */
export function bowRun(path: Path, runIndex: number, pitches: number, outwards: 1 | -1): Path {
  const extra = pitches - path.pitches
  let startPitches = 0
  let seen = -1
  const pieces = path.pieces.map((piece) => {
    const moved = { ...piece, startPitches }
    const isRun = piece.kind === 'run' && ++seen === runIndex
    const bowed = isRun && extra > 1e-9 ? bow(piece, startPitches, path.pitchMm, extra, outwards) : moved
    startPitches += bowed.pitches
    return bowed
  })
  return { ...path, pieces, pitches: startPitches }
}

function bow(run: PathRun, startPitches: number, pitchMm: number, extra: number, outwards: 1 | -1): PathArc {
  const arcMm = run.lengthMm + extra * pitchMm
  let [low, high] = [1e-6, Math.PI]
  for (let i = 0; i < 60; i++) {
    const half = (low + high) / 2
    if (Math.sin(half) / half > run.lengthMm / arcMm) low = half
    else high = half
  }
  const radiusMm = arcMm / (2 * low)
  const along = { x: (run.to.x - run.from.x) / run.lengthMm, y: (run.to.y - run.from.y) / run.lengthMm }
  const inMm = radiusMm * Math.cos(low)
  const centre = {
    x: (run.from.x + run.to.x) / 2 - outwards * inMm * along.y,
    y: (run.from.y + run.to.y) / 2 + outwards * inMm * along.x,
  }
  const fromDeg = directionDeg({ x: run.from.x - centre.x, y: run.from.y - centre.y })
  const sweepDeg = (outwards * 2 * low * 180) / Math.PI
  return { kind: 'arc', centre, radiusMm, fromDeg, sweepDeg, startPitches, pitches: arcMm / pitchMm }
}

/** The point so many pitches along a path; the path is closed, so any number is good. */
export function makePathReader(path: Path): (atPitches: number) => Point {
  const starts = path.pieces.map(({ startPitches }) => startPitches)
  return (atPitches) => {
    const s = ((atPitches % path.pitches) + path.pitches) % path.pitches
    let low = 0
    let high = starts.length - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if ((starts[middle] ?? 0) <= s) low = middle
      else high = middle - 1
    }
    const piece = path.pieces[low] as PathPiece
    const share = piece.pitches > 0 ? (s - piece.startPitches) / piece.pitches : 0
    if (piece.kind === 'arc') return polar(piece.centre, piece.radiusMm, piece.fromDeg + share * piece.sweepDeg)
    return {
      x: piece.from.x + share * (piece.to.x - piece.from.x),
      y: piece.from.y + share * (piece.to.y - piece.from.y),
    }
  }
}

/** The arc of a member. */
export const arcOf = (path: Path, memberId: string) =>
  path.pieces.find((piece): piece is PathArc => piece.kind === 'arc' && piece.memberId === memberId)

/** Where along the path a direction on a toothed member lies, and how many whole teeth it must be moved, + = along the
 *  loop's travel, to stand on the wrapped part. Undefined when the member is not on the path. */
export function placeOnPath(
  path: Path,
  { memberId, teeth, deg }: { memberId: string; teeth: number; deg: number },
): { readonly atPitches: number; readonly movedTeeth: number } | undefined {
  const arc = arcOf(path, memberId)
  if (!arc) return undefined
  const side = Math.sign(arc.sweepDeg) || 1
  const pastStart = (wrapTo360(side * (deg - arc.fromDeg)) * teeth) / 360
  if (pastStart <= arc.pitches + SAME_ANGLE_DEG) return { atPitches: arc.startPitches + pastStart, movedTeeth: 0 }
  const back = Math.ceil(pastStart - arc.pitches - SAME_ANGLE_DEG)
  const onward = Math.ceil(teeth - pastStart - SAME_ANGLE_DEG)
  const movedTeeth = back <= onward ? -back : onward
  return { atPitches: arc.startPitches + pastStart + movedTeeth - (movedTeeth > 0 ? teeth : 0), movedTeeth }
}
