import { findRoot, type Point } from '../geometry'
import type { BuildSheet, Loop, Member } from '../model/buildSheet'
import { err, ok, type Result } from '../result'
import { driverOf, travelSign } from './driver'
import { bowRun, solvePath, type Path, type PathError, type PathMember } from './path'
import { pointOf, shaftPoint } from './positions'
import { pulleyRadiusMm, sprocketRadiusMm } from './sprocket'

export type LoopGap = 'running' | 'pitch' | 'pitches' | 'distance' | 'guide' | 'tensionerRadius'

export interface SolvedLoop {
  readonly loopId: string
  readonly path: Path
  readonly members: readonly (PathMember & { readonly kind: Member['kind']; readonly shaftId?: string | undefined })[]
  readonly pitches: number
  /** Schematic: the counts are true, the distances are not known and were chosen so that it closes. */
  readonly drawn: 'toScale' | 'schematic'
  readonly gaps: readonly LoopGap[]
  /** How far the tensioner has come in from a straight run, mm. */
  readonly tensionerTravelMm?: number
  /** Pitches over what the path needs with the tensioner away. */
  readonly slackPitches: number
  readonly driverId: string | undefined
  /** The runs in the order of travel, from the driver on. */
  readonly runs: readonly SolvedRun[]
  /** Tensioners that stand on a run which the drive pulls straight: they can take up nothing there. */
  readonly tensionersOnTightRun: readonly string[]
}

export interface SolvedRun {
  readonly fromMemberId: string
  readonly toMemberId: string
  /** Slack: from the driver to the first wheel that it drives. Every run after that is pulled. */
  readonly kind: 'tight' | 'slack'
  readonly pitches: number
}

export type LoopError =
  | { readonly code: 'teethMissing'; readonly memberIds: readonly string[] }
  | { readonly code: 'noSprockets' }
  | { readonly code: 'loopTooShort'; readonly shortPitches: number; readonly needsPitches: number }
  | { readonly code: 'loopTooLong'; readonly overPitches: number }
  | PathError

const SCHEMATIC_PITCH_MM = 10
/** More slack than this with nothing to take it up is not a chain that belongs here. */
const MOST_FREE_SLACK_PITCHES = 2

/** The whole loop as it lies: members, path closed to its whole number of pitches, where the tensioner then stands.
 *  With counts only, distances are chosen so that it closes and the result says `schematic`.
 *  Errors: no teeth known, two members too close, a member not touched, a loop too short or too long for its layout. */
export function solveLoop(sheet: BuildSheet, loop: Loop): Result<SolvedLoop, LoopError> {
  const toothed = loop.path.flatMap(({ memberId }) =>
    sheet.members.filter(({ id, shaftId }) => id === memberId && shaftId),
  )
  if (toothed.length < 2) return err({ code: 'noSprockets' })
  const missing = toothed.filter(({ teeth }) => !teeth).map(({ id }) => id)
  if (missing.length > 0) return err({ code: 'teethMissing', memberIds: missing })
  const base = layOut(sheet, loop)
  const path = solvePath(base.members, base.pitchMm)
  if (!path.ok) return path
  return closeLoop(sheet, loop, base, path.value)
}

type SolvedMember = SolvedLoop['members'][number]
interface Layout {
  readonly members: readonly SolvedMember[]
  readonly pitchMm: number
  readonly drawn: SolvedLoop['drawn']
  readonly gaps: readonly LoopGap[]
  readonly inside: 1 | -1
}

function layOut(sheet: BuildSheet, loop: Loop): Layout {
  const gaps: LoopGap[] = []
  if (!sheet.running) gaps.push('running')
  if (!loop.pitchMm) gaps.push('pitch')
  if (!loop.pitches) gaps.push('pitches')
  const pitchMm = loop.pitchMm?.value ?? SCHEMATIC_PITCH_MM
  const inside = travelSign(sheet, loop)
  const placed = loop.path.flatMap(({ memberId, passed }) => {
    const member = sheet.members.find(({ id }) => id === memberId)
    if (!member || isFloating(member)) return []
    const shaft = sheet.shafts.find(({ id }) => id === member.shaftId)
    const centre = shaft ? shaftPoint(sheet, shaft) : member.position && pointOf(sheet, member.position)
    const teeth = member.teeth?.value
    const radiusMm = radiusOf(loop, member, pitchMm)
    if (!shaft && (!centre || radiusMm === undefined || radiusMm <= 0)) {
      gaps.push('guide')
      return []
    }
    const side = (passed === 'inside' ? inside : -inside) as 1 | -1
    return [{ memberId, kind: member.kind, shaftId: member.shaftId, teeth, radiusMm: radiusMm ?? 0, side, centre }]
  })
  const known = placed.every(({ centre }) => centre) && loop.pitchMm
  if (!placed.every(({ centre }) => centre)) gaps.push('distance')
  const members = known
    ? (placed as SolvedMember[])
    : schematic(
        placed.filter(({ shaftId }) => shaftId),
        loop.pitches?.value,
        pitchMm,
      )
  return { members, pitchMm, drawn: known ? 'toScale' : 'schematic', gaps, inside }
}

/** To the pin or pitch line: by its teeth, else what was measured and what has to be added to it. */
function radiusOf({ kind }: Loop, { teeth, radiusMm, allowanceMm }: Member, pitchMm: number): number | undefined {
  if (teeth) return (kind === 'toothedBelt' ? pulleyRadiusMm : sprocketRadiusMm)(pitchMm, teeth.value)
  return radiusMm && radiusMm.value + (allowanceMm?.value ?? 0)
}

/** A tensioner without a place of its own stands where the length of the loop puts it. */
const isFloating = ({ kind, position, shaftId }: Member) => kind === 'tensioner' && !position && !shaftId

/** Wheels in the order of the path, two one above the other, more round a circle, so far apart that the loop closes; or at a plain
 *  distance when its length is unknown. Those passed outside stand further in, as they would. */
function schematic(
  placed: readonly (Omit<SolvedMember, 'centre'> & { centre?: Point | undefined })[],
  pitches: number | undefined,
  pitchMm: number,
) {
  const reach = placed.reduce((sum, { radiusMm }) => sum + radiusMm, 0)
  const inside = placed[0]?.side ?? 1
  const place = (i: number, apartMm: number): Point => {
    if (placed.length === 2) return { x: 0, y: i * apartMm }
    const turn = -Math.PI / 2 + (inside * 2 * Math.PI * i) / placed.length
    const out = placed[i]?.side === inside ? 1 : 0.45
    return { x: out * apartMm * Math.cos(turn), y: out * apartMm * Math.sin(turn) }
  }
  const at = (apartMm: number) => placed.map((member, i): SolvedMember => ({ ...member, centre: place(i, apartMm) }))
  const lengthAt = (apartMm: number) => {
    const path = solvePath(at(apartMm), pitchMm)
    return path.ok ? path.value.pitches : 0
  }
  const leastMm = reach * 1.02
  if (!pitches || lengthAt(leastMm) > pitches) return at(reach * 1.6)
  return at(findRoot((apartMm) => lengthAt(apartMm) - pitches, leastMm, leastMm + pitches * pitchMm))
}

function closeLoop(sheet: BuildSheet, loop: Loop, base: Layout, path: Path): Result<SolvedLoop, LoopError> {
  const whole = loop.pitches?.value ?? 2 * Math.ceil((path.pitches - 1e-9) / 2)
  const slackPitches = whole - path.pitches
  const { members, drawn } = base
  const driverId = driverOf(sheet, loop)?.id
  const common = { loopId: loop.id, pitches: whole, drawn, slackPitches, driverId }
  if (slackPitches < -0.01) {
    return err({ code: 'loopTooShort', shortPitches: -slackPitches, needsPitches: path.pitches })
  }
  const slackFrom = Math.max(
    0,
    members.findIndex(({ memberId }) => memberId === driverId),
  )
  const floating = loop.path.flatMap((part, i) => {
    const member = sheet.members.find(({ id }) => id === part.memberId)
    return member && isFloating(member) ? [{ member, passed: part.passed, after: placedBefore(loop, members, i) }] : []
  })
  const [tensioner] = floating
  const radiusMm = tensioner && radiusOf(loop, tensioner.member, base.pitchMm)
  if (tensioner && radiusMm && slackPitches > 0.01 && drawn === 'toScale') {
    const { member, passed, after } = tensioner
    const teeth = member.teeth?.value
    const seated = seatTensioner(base, path, { memberId: member.id, radiusMm, teeth, passed, whole, after })
    if (!seated) return err({ code: 'loopTooLong', overPitches: slackPitches })
    return ok({ ...common, gaps: base.gaps, ...seated, ...runsOf(sheet, driverId, seated.path, seated.members) })
  }
  const gaps: LoopGap[] = tensioner && !radiusMm ? [...base.gaps, 'tensionerRadius'] : [...base.gaps]
  if (!tensioner && slackPitches > MOST_FREE_SLACK_PITCHES)
    return err({ code: 'loopTooLong', overPitches: slackPitches })
  const bowed = bowRun(path, slackFrom, whole, base.inside)
  return ok({ ...common, gaps, members, path: bowed, ...runsOf(sheet, driverId, bowed, members) })
}

/** The placed member that a floating one comes after on the path. */
function placedBefore(loop: Loop, members: readonly SolvedMember[], at: number): number {
  for (let back = 1; back <= loop.path.length; back++) {
    const id = loop.path.at((at - back) % loop.path.length)?.memberId
    const place = members.findIndex(({ memberId }) => memberId === id)
    if (place >= 0) return place
  }
  return 0
}

/** Runs from the driver on, slack until the first wheel that is driven; and the tensioners that do not stand on slack. */
function runsOf(sheet: BuildSheet, driverId: string | undefined, path: Path, members: readonly SolvedMember[]) {
  const start = Math.max(
    0,
    members.findIndex(({ memberId }) => memberId === driverId),
  )
  const order = members.map((_member, i) => members[(start + i) % members.length] as SolvedMember)
  // Pieces come in pairs: round a member, then the run to the next, which may be bowed.
  const lengths = new Map(members.map(({ memberId }, i) => [memberId, path.pieces[2 * i + 1]?.pitches ?? 0]))
  let kind: SolvedRun['kind'] = 'slack'
  const runs = order.map(({ memberId, shaftId }, i): SolvedRun => {
    if (i > 0 && shaftId && sheet.shafts.some(({ id, kind: what }) => id === shaftId && what !== 'idler'))
      kind = 'tight'
    const toMemberId = (order[(i + 1) % order.length] as SolvedMember).memberId
    return { fromMemberId: memberId, toMemberId, kind, pitches: lengths.get(memberId) ?? 0 }
  })
  const tensionersOnTightRun = order
    .filter(
      ({ kind: what, memberId }) =>
        what === 'tensioner' && runs.some((run) => run.toMemberId === memberId && run.kind === 'tight'),
    )
    .map(({ memberId }) => memberId)
  return { runs, tensionersOnTightRun }
}

/** The tensioner comes square into the middle of the run it stands on, until the loop closes. */
function seatTensioner(
  { members, pitchMm, inside }: Layout,
  path: Path,
  {
    memberId,
    radiusMm,
    teeth,
    passed,
    whole,
    after: index,
  }: {
    memberId: string
    radiusMm: number
    teeth: number | undefined
    passed: 'inside' | 'outside'
    whole: number
    after: number
  },
) {
  const run = path.pieces.filter((piece) => piece.kind === 'run')[index]
  if (!run) return undefined
  const side = (passed === 'inside' ? inside : -inside) as 1 | -1
  const along = { x: (run.to.x - run.from.x) / run.lengthMm, y: (run.to.y - run.from.y) / run.lengthMm }
  const towardsCentre = { x: -side * along.y, y: side * along.x }
  const place = (travelMm: number): SolvedMember => ({
    memberId,
    kind: 'tensioner',
    radiusMm,
    teeth,
    side,
    centre: {
      x: (run.from.x + run.to.x) / 2 + (radiusMm - travelMm) * towardsCentre.x,
      y: (run.from.y + run.to.y) / 2 + (radiusMm - travelMm) * towardsCentre.y,
    },
  })
  const withIt = (travelMm: number) => members.toSpliced(index + 1, 0, place(travelMm))
  const lengthAt = (travelMm: number) => {
    const bent = solvePath(withIt(travelMm), pitchMm)
    return bent.ok ? bent.value.pitches : Infinity
  }
  const mostMm = run.lengthMm / 2
  const travelMm = findRoot((travel) => lengthAt(travel) - whole, 1e-6, mostMm)
  const bent = solvePath(withIt(travelMm), pitchMm)
  if (!bent.ok || Math.abs(bent.value.pitches - whole) > 1e-3) return undefined
  return { members: withIt(travelMm), path: bent.value, tensionerTravelMm: travelMm }
}
