import { findRoot } from '../geometry'
import { err, ok, type Result } from '../result'
import type { FloatingMember, LaidMember, LayoutError, LoopGap, LoopLayout } from './layOut'
import { bowRun, solvePath, stretchRuns, type Path, type PathError } from './path'

export interface SolvedLoop {
  readonly loopId: string
  readonly path: Path
  readonly members: readonly LaidMember[]
  readonly pitches: number
  readonly drawn: LoopLayout['drawn']
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
  /** Slack: where the tensioner stands; without one, from the driver to the first wheel that it drives. */
  readonly kind: 'tight' | 'slack'
  readonly pitches: number
}

export type LoopError =
  | LayoutError
  | { readonly code: 'loopTooShort'; readonly shortPitches: number; readonly needsPitches: number }
  | { readonly code: 'loopTooLong'; readonly overPitches: number }
  | PathError

/** More slack than this with nothing to take it up is not a chain that belongs here. */
const MOST_FREE_SLACK_PITCHES = 2

/** The whole loop as it lies: members, path closed to its whole number of pitches, where the tensioner then stands. Of a loop that is not
 *  counted, the next even number of pitches over what the path needs.
 *  Errors: two members too close, a member not touched, a loop too short or too long for its layout. Without the shafts' places none of these is judged. */
export function solveLoop(layout: LoopLayout): Result<SolvedLoop, LoopError> {
  const solved = solvePath(layout.members, layout.pitchMm)
  if (!solved.ok) return solved
  const path = solved.value
  const { members, drawn, floating, driverId, inside, loopId } = layout
  const whole = layout.pitches ?? 2 * Math.ceil((path.pitches - 1e-9) / 2)
  if (drawn === 'schematic') {
    // The places are invented: no length is judged by them.
    const drawnPath = stretchRuns(path, whole)
    const runs = runsOf(driverId, drawnPath, members, layout.slackAfter)
    return ok({
      loopId,
      pitches: whole,
      drawn,
      slackPitches: 0,
      driverId,
      gaps: layout.gaps,
      members,
      path: drawnPath,
      ...runs,
    })
  }
  const slackPitches = whole - path.pitches
  if (slackPitches < -0.01)
    return err({ code: 'loopTooShort', shortPitches: -slackPitches, needsPitches: path.pitches })
  const common = { loopId, pitches: whole, drawn, slackPitches, driverId }
  if (floating?.radiusMm && slackPitches > 0.01) {
    const seated = seatTensioner(layout, path, { ...floating, radiusMm: floating.radiusMm }, whole)
    if (!seated) return err({ code: 'loopTooLong', overPitches: slackPitches })
    return ok({
      ...common,
      gaps: layout.gaps,
      ...seated,
      ...runsOf(driverId, seated.path, seated.members, layout.slackAfter),
    })
  }
  if (!floating && slackPitches > MOST_FREE_SLACK_PITCHES)
    return err({ code: 'loopTooLong', overPitches: slackPitches })
  const gaps = floating && !floating.radiusMm ? [...layout.gaps, 'tensionerRadius' as const] : layout.gaps
  const bowed = bowRun(path, placeOfDriver(driverId, members), whole, inside)
  return ok({ ...common, gaps, members, path: bowed, ...runsOf(driverId, bowed, members, layout.slackAfter) })
}

const placeOfDriver = (driverId: string | undefined, members: readonly LaidMember[]) =>
  Math.max(
    0,
    members.findIndex(({ memberId }) => memberId === driverId),
  )

/** Runs from the driver on. The one that the tensioner stands on is slack; without one, what the driver pays out until the first wheel that is driven. And
 *  the tensioners that stand where the drive pulls. */
function runsOf(
  driverId: string | undefined,
  path: Path,
  members: readonly LaidMember[],
  slackAfter: string | undefined,
) {
  const start = placeOfDriver(driverId, members)
  const order = members.map((_member, i) => members[(start + i) % members.length] as LaidMember)
  // Pieces come in pairs: round a member, then the run to the next, which may be bowed.
  const lengths = new Map(members.map(({ memberId }, i) => [memberId, path.pieces[2 * i + 1]?.pitches ?? 0]))
  let paidOut = true
  let kind: SolvedRun['kind'] = slackAfter === undefined || slackAfter === order[0]?.memberId ? 'slack' : 'tight'
  const pulled = new Set<string>()
  const runs = order.map(({ memberId, driven }, i): SolvedRun => {
    if (i > 0 && driven) {
      paidOut = false
      kind = memberId === slackAfter ? 'slack' : 'tight'
    }
    const toMemberId = (order[(i + 1) % order.length] as LaidMember).memberId
    if (!paidOut) pulled.add(toMemberId)
    return { fromMemberId: memberId, toMemberId, kind, pitches: lengths.get(memberId) ?? 0 }
  })
  const tensionersOnTightRun = order
    .filter(({ kind: what, memberId }) => what === 'tensioner' && pulled.has(memberId))
    .map(({ memberId }) => memberId)
  return { runs, tensionersOnTightRun }
}

/** The tensioner comes square into the middle of the run it stands on, until the loop closes. */
function seatTensioner(
  { members, pitchMm }: LoopLayout,
  path: Path,
  { memberId, radiusMm, teeth, side, after: index }: FloatingMember & { readonly radiusMm: number },
  whole: number,
) {
  const run = path.pieces.filter((piece) => piece.kind === 'run')[index]
  if (!run) return undefined
  const along = { x: (run.to.x - run.from.x) / run.lengthMm, y: (run.to.y - run.from.y) / run.lengthMm }
  const towardsCentre = { x: -side * along.y, y: side * along.x }
  const place = (travelMm: number): LaidMember => ({
    memberId,
    kind: 'tensioner',
    driven: false,
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
