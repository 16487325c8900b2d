import type { Point } from '../geometry'
import { bisect } from '../kinematics'
import type { BuildSheet, Loop, Member } from '../model/buildSheet'
import { err, ok, type Result } from '../result'
import { planeSign } from '../units'
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
}

function layOut(sheet: BuildSheet, loop: Loop): Layout {
  const gaps: LoopGap[] = []
  if (!sheet.running) gaps.push('running')
  if (!loop.pitchMm) gaps.push('pitch')
  if (!loop.pitches) gaps.push('pitches')
  const pitchMm = loop.pitchMm?.value ?? SCHEMATIC_PITCH_MM
  const inside = planeSign(sheet.running?.value ?? 'clockwise')
  const radius = loop.kind === 'toothedBelt' ? pulleyRadiusMm : sprocketRadiusMm
  const placed = loop.path.flatMap(({ memberId, passed }) => {
    const member = sheet.members.find(({ id }) => id === memberId)
    if (!member || member.kind === 'tensioner') return []
    const shaft = sheet.shafts.find(({ id }) => id === member.shaftId)
    const centre = shaft ? shaftPoint(sheet, shaft) : member.position && pointOf(sheet, member.position)
    const teeth = member.teeth?.value
    const radiusMm = teeth ? radius(pitchMm, teeth) : member.radiusMm?.value
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
  return { members, pitchMm, drawn: known ? 'toScale' : 'schematic', gaps }
}

/** Sprockets one above the other, so far apart that the loop closes, or a plain distance when its length is unknown. */
function schematic(
  placed: readonly (Omit<SolvedMember, 'centre'> & { centre?: Point | undefined })[],
  pitches: number | undefined,
  pitchMm: number,
) {
  const reach = placed.reduce((sum, { radiusMm }) => sum + radiusMm, 0)
  const at = (apartMm: number) =>
    placed.map((member, i): SolvedMember => ({ ...member, centre: { x: 0, y: i * apartMm } }))
  const lengthAt = (apartMm: number) => {
    const path = solvePath(at(apartMm), pitchMm)
    return path.ok ? path.value.pitches : 0
  }
  const leastMm = reach * 1.02
  if (!pitches || lengthAt(leastMm) > pitches) return at(reach * 1.6)
  return at(bisect((apartMm) => lengthAt(apartMm) - pitches, leastMm, leastMm + pitches * pitchMm))
}

function closeLoop(sheet: BuildSheet, loop: Loop, base: Layout, path: Path): Result<SolvedLoop, LoopError> {
  const whole = loop.pitches?.value ?? 2 * Math.ceil((path.pitches - 1e-9) / 2)
  const slackPitches = whole - path.pitches
  const { members, drawn } = base
  const common = { loopId: loop.id, pitches: whole, drawn, slackPitches }
  if (slackPitches < -0.01) {
    return err({ code: 'loopTooShort', shortPitches: -slackPitches, needsPitches: path.pitches })
  }
  const tensioner = loop.path
    .map(({ memberId, passed }) => ({ passed, member: sheet.members.find(({ id }) => id === memberId) }))
    .find(({ member }) => member?.kind === 'tensioner')
  const radiusMm = tensioner?.member?.radiusMm?.value
  if (tensioner?.member && radiusMm && slackPitches > 0.01 && drawn === 'toScale') {
    const seated = seatTensioner(base, path, {
      memberId: tensioner.member.id,
      radiusMm,
      passed: tensioner.passed,
      whole,
    })
    if (!seated) return err({ code: 'loopTooLong', overPitches: slackPitches })
    return ok({ ...common, gaps: base.gaps, ...seated })
  }
  const gaps: LoopGap[] = tensioner && !radiusMm ? [...base.gaps, 'tensionerRadius'] : [...base.gaps]
  if (!tensioner && slackPitches > MOST_FREE_SLACK_PITCHES)
    return err({ code: 'loopTooLong', overPitches: slackPitches })
  const inside = members[0]?.side ?? 1
  return ok({ ...common, gaps, members, path: bowRun(path, 0, whole, inside) })
}

/** The tensioner comes square into the middle of the run that leaves the crank (the slack one) until the loop closes. */
function seatTensioner(
  { members, pitchMm }: Layout,
  path: Path,
  {
    memberId,
    radiusMm,
    passed,
    whole,
  }: { memberId: string; radiusMm: number; passed: 'inside' | 'outside'; whole: number },
) {
  const runs = path.pieces.filter((piece) => piece.kind === 'run')
  const index = runs.reduce(
    (longest, run, i) => (i < runs.length - 1 && run.lengthMm > (runs[longest]?.lengthMm ?? 0) ? i : longest),
    0,
  )
  const run = runs[index]
  if (!run) return undefined
  const inside = members[0]?.side ?? 1
  const side = (passed === 'inside' ? inside : -inside) as 1 | -1
  const along = { x: (run.to.x - run.from.x) / run.lengthMm, y: (run.to.y - run.from.y) / run.lengthMm }
  const towardsCentre = { x: -side * along.y, y: side * along.x }
  const place = (travelMm: number): SolvedMember => ({
    memberId,
    kind: 'tensioner',
    radiusMm,
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
  const travelMm = bisect((travel) => lengthAt(travel) - whole, 1e-6, mostMm)
  const bent = solvePath(withIt(travelMm), pitchMm)
  if (!bent.ok || Math.abs(bent.value.pitches - whole) > 1e-3) return undefined
  return { members: withIt(travelMm), path: bent.value, tensionerTravelMm: travelMm }
}
