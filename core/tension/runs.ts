import { effectsOn } from '../diagnose'
import { readDrive, solvePath, type SolvedLoop } from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { partsOf } from '../sheet'

/** A run of a loop on which slack can be read. */
export interface RunOfLoop {
  readonly fromMemberId: string
  readonly toMemberId: string
  readonly kind: 'tight' | 'slack'
  readonly pitches: number
  /** From where the loop leaves the one part to where it meets the next, straight, mm; undefined where the drive is not drawn to scale. */
  readonly spanMm: number | undefined
}

/** The runs of a loop, longest first: without the shafts' places in the order of its way. */
export function runsOfLoop(sheet: BuildSheet, loop: Loop): readonly RunOfLoop[] {
  const lies = readDrive(sheet).lies(loop)
  if (!lies) return alongWay(loop)
  const spans = spansOf(lies)
  const runs = lies.runs.map(({ fromMemberId, toMemberId, kind, pitches }) => ({
    fromMemberId,
    toMemberId,
    kind,
    pitches,
    spanMm: lies.drawn === 'toScale' ? spans.get(fromMemberId) : undefined,
  }))
  return lies.drawn === 'toScale' ? runs.toSorted((a, b) => (b.spanMm ?? 0) - (a.spanMm ?? 0)) : runs
}

/** Every run as a straight one: a slack one is bowed as it is drawn. */
function spansOf({ members, path }: SolvedLoop): ReadonlyMap<string, number> {
  const straight = solvePath(members, path.pitchMm)
  if (!straight.ok) return new Map()
  return new Map(
    straight.value.pieces.flatMap((piece) =>
      piece.kind === 'run' ? [[piece.fromMemberId, piece.lengthMm] as const] : [],
    ),
  )
}

/** A loop whose way cannot be solved still has runs, from each part to the next. */
const alongWay = ({ path }: Loop): readonly RunOfLoop[] =>
  path.map(({ memberId }, i) => ({
    fromMemberId: memberId,
    toMemberId: path[(i + 1) % path.length]?.memberId ?? memberId,
    kind: 'slack',
    pitches: 0,
    spanMm: undefined,
  }))

/** What a loop that is too long by so much makes each shaft late by that it drives, where it lies on the pulled run; crank degrees. Left out where the drive is not
 *  to scale. Source: handbook 10. */
export function lateFromOver(
  sheet: BuildSheet,
  loopId: string,
  overMm: number,
): readonly { readonly shaftId: string; readonly lateDeg: number }[] {
  return sheet.shafts.flatMap(({ id, kind }) => {
    if (kind === 'crank' || kind === 'idler') return []
    const perMm = effectsOn(sheet, id).perSlack?.[loopId]
    return perMm === undefined ? [] : [{ shaftId: id, lateDeg: perMm * overMm }]
  })
}

export interface SlackWay {
  /** How much of the loop it lets go of when it is turned fully the slack way, mm. */
  readonly overMm: number
  /** By its own throw, or as far as it could ever go. */
  readonly by: 'throw' | 'all'
  readonly late: readonly { readonly shaftId: string; readonly lateDeg: number }[]
}

/** What turning a tensioner fully the slack way does: how much it lets go of, and what each camshaft would be late by with that on the pulled run. By the throw of
 *  an eccentric, half a turn on, its way solved again; else all that the loop has over. Undefined where the drive is not to scale or the loop touches it not. */
export function fullySlack(sheet: BuildSheet, memberId: string): SlackWay | undefined {
  const loop = sheet.loops.find(({ path }) => path.some((part) => part.memberId === memberId))
  const lies = loop && readDrive(sheet).lies(loop)
  if (!loop || lies?.drawn !== 'toScale') return undefined
  const allMm = lies.slackPitches * lies.path.pitchMm
  const throwMm = partsOf(sheet).member(memberId)?.tightener?.throwMm?.value
  const thrownMm = throwMm === undefined ? undefined : letGoOf(lies, memberId, 2 * throwMm)
  const byThrow = thrownMm !== undefined && thrownMm < allMm
  const overMm = byThrow ? thrownMm : allMm
  return { overMm, by: byThrow ? 'throw' : 'all', late: lateFromOver(sheet, loop.id, overMm) }
}

/** What a member lets go of when it moves so far straight away from where the loop presses on it, mm; undefined when the loop leaves it. */
function letGoOf({ members, path }: SolvedLoop, memberId: string, byMm: number): number | undefined {
  const at = members.findIndex((one) => one.memberId === memberId)
  const member = members[at]
  const piece = path.pieces.find((one) => one.kind === 'arc' && one.memberId === memberId)
  if (!member || piece?.kind !== 'arc') return undefined
  const middle = ((piece.fromDeg + piece.sweepDeg / 2) * Math.PI) / 180
  // The loop presses towards the middle of the wheel: away from where it lies on it.
  const centre = { x: member.centre.x - byMm * Math.cos(middle), y: member.centre.y - byMm * Math.sin(middle) }
  const before = solvePath(members, path.pitchMm)
  const after = solvePath(members.with(at, { ...member, centre }), path.pitchMm)
  return before.ok && after.ok ? Math.max(0, (before.value.pitches - after.value.pitches) * path.pitchMm) : undefined
}

/** How much of its loop a tensioner takes up for each mm that it moves into it, mm; undefined where the drive is not to scale or no tensioner stands on the loop. */
export function takenUpPerMm(
  sheet: BuildSheet,
  loopId: string,
): { readonly memberId: string; readonly perMm: number } | undefined {
  const loop = partsOf(sheet).loop(loopId)
  const lies = loop && readDrive(sheet).lies(loop)
  const memberId = lies?.members.find(({ kind }) => kind === 'tensioner')?.memberId
  if (lies?.drawn !== 'toScale' || memberId === undefined) return undefined
  const perMm = letGoOf(lies, memberId, SMALL_MM)
  return perMm === undefined || perMm <= 0 ? undefined : { memberId, perMm: perMm / SMALL_MM }
}

const SMALL_MM = 0.05
