import { findRoot, polar, type Point } from '../geometry'
import type { BuildSheet, Loop, Member } from '../model/buildSheet'
import { err, ok, type Result } from '../result'
import { partsOf } from '../sheet'
import { driverOf, slackAfterOf, travelSign } from './driver'
import { loopKinds } from './loopKinds'
import { solvePath, type PathMember } from './path'
import { pointOf, shaftPoint } from './positions'
import { hangs, loopTowardsDeg, turnedAbout } from './schematicPlaces'

/** What a loop is solved from: circles in the plane in the order in which it passes them, its pitch and its length. Nothing of the engine but this. */
export interface LoopLayout {
  readonly loopId: string
  readonly members: readonly LaidMember[]
  readonly pitchMm: number
  /** How long the loop is; undefined where it is not counted. */
  readonly pitches: number | undefined
  /** Schematic: the counts are true, the distances are not known and were chosen so that it closes. */
  readonly drawn: 'toScale' | 'schematic'
  readonly gaps: readonly LoopGap[]
  /** Which way the loop travels round what it passes inside: +1 counter-clockwise. */
  readonly inside: 1 | -1
  readonly driverId: string | undefined
  /** The driver, or the driven wheel, after which the slack run comes; undefined without a tensioner. */
  readonly slackAfter: string | undefined
  /** A tensioner that stands where the length of the loop puts it. */
  readonly floating: FloatingMember | undefined
}

export interface LaidMember extends PathMember {
  readonly kind: Member['kind']
  readonly shaftId?: string | undefined
  /** A wheel that drives something, so that the run before it is pulled. */
  readonly driven: boolean
}

export interface FloatingMember {
  readonly memberId: string
  readonly radiusMm: number | undefined
  readonly teeth: number | undefined
  readonly side: 1 | -1
  /** The placed member that it comes after, by its place in the list. */
  readonly after: number
}

export type LoopGap = 'running' | 'pitch' | 'pitches' | 'distance' | 'guide' | 'tensionerRadius'

export type LayoutError =
  { readonly code: 'teethMissing'; readonly memberIds: readonly string[] } | { readonly code: 'noSprockets' }

const SCHEMATIC_PITCH_MM = 10

/** What of a build sheet a loop is solved from. Without every distance it is laid out as a schematic.
 *  Errors: fewer than two toothed wheels; wheels whose teeth are not counted. */
export function layOut(sheet: BuildSheet, loop: Loop): Result<LoopLayout, LayoutError> {
  const { member: memberOf } = partsOf(sheet)
  const toothed = loop.path.flatMap(({ memberId }) => {
    const member = memberOf(memberId)
    return member?.shaftId ? [member] : []
  })
  if (toothed.length < 2) return err({ code: 'noSprockets' })
  const missing = toothed.filter(({ teeth }) => !teeth).map(({ id }) => id)
  if (missing.length > 0) return err({ code: 'teethMissing', memberIds: missing })
  const inside = travelSign(sheet, loop)
  const pitchMm = loop.pitchMm?.value ?? SCHEMATIC_PITCH_MM
  const placed = place(sheet, loop, { inside, pitchMm })
  const everyPlace = placed.members.every(({ centre }) => centre)
  const toScale = everyPlace && loop.pitchMm !== undefined
  const members = toScale ? (placed.members as LaidMember[]) : schematicOf(sheet, loop, placed.members, pitchMm)
  const floating = floatingOf(sheet, loop, { members, inside, pitchMm })
  return ok({
    loopId: loop.id,
    members,
    pitchMm,
    pitches: loop.pitches?.value,
    drawn: toScale ? 'toScale' : 'schematic',
    gaps: [
      ...(sheet.running ? [] : ['running' as const]),
      ...(loop.pitchMm ? [] : ['pitch' as const]),
      ...(loop.pitches ? [] : ['pitches' as const]),
      ...placed.gaps,
      ...(everyPlace ? [] : ['distance' as const]),
    ],
    inside,
    driverId: driverOf(sheet, loop)?.id,
    slackAfter: slackAfterOf(sheet, loop),
    floating,
  })
}

interface Lay {
  readonly inside: 1 | -1
  readonly pitchMm: number
}
type PlacedMember = Omit<LaidMember, 'centre'> & { readonly centre: Point | undefined }

const sideOf = (passed: 'inside' | 'outside', inside: 1 | -1) => (passed === 'inside' ? inside : -inside) as 1 | -1

/** The members in the order of the path, where they are known to stand. A guide that is not known bends nothing and is left out. */
function place(sheet: BuildSheet, loop: Loop, { inside, pitchMm }: Lay) {
  const parts = partsOf(sheet)
  const gaps: LoopGap[] = []
  const members = loop.path.flatMap(({ memberId, passed }): PlacedMember[] => {
    const member = parts.member(memberId)
    if (!member || isFloating(member)) return []
    const shaft = parts.shaft(member.shaftId)
    const centre = shaft ? shaftPoint(sheet, shaft) : member.position && pointOf(sheet, member.position)
    const radiusMm = radiusOf(loop, member, pitchMm)
    if (!shaft && (!centre || radiusMm === undefined || radiusMm <= 0)) {
      gaps.push('guide')
      return []
    }
    const { kind, shaftId, teeth } = member
    const driven = shaft !== undefined && shaft.kind !== 'idler'
    const side = sideOf(passed, inside)
    const ends = endsOf(member, side)
    return [
      {
        ...(ends ? { ends } : {}),
        memberId,
        kind,
        shaftId,
        driven,
        teeth: teeth?.value,
        radiusMm: radiusMm ?? 0,
        side,
        centre,
      },
    ]
  })
  return { members, gaps }
}

/** Where an arc starts and ends as the loop travels over it. */
const endsOf = ({ arc }: Member, side: 1 | -1): readonly [number, number] | undefined =>
  arc && (side > 0 ? [arc.fromDeg.value, arc.toDeg.value] : [arc.toDeg.value, arc.fromDeg.value])

/** To the pin or pitch line: by its teeth, else what was measured and what has to be added to it. */
function radiusOf({ kind }: Loop, { teeth, radiusMm, allowanceMm }: Member, pitchMm: number): number | undefined {
  if (teeth) return loopKinds[kind].radiusMm(pitchMm, teeth.value)
  return radiusMm && radiusMm.value + (allowanceMm?.value ?? 0)
}

/** A tensioner without a place of its own stands where the length of the loop puts it. */
const isFloating = ({ kind, position, shaftId }: Member) => kind === 'tensioner' && !position && !shaftId

function floatingOf(
  sheet: BuildSheet,
  loop: Loop,
  { members, inside, pitchMm }: Lay & { readonly members: readonly LaidMember[] },
): FloatingMember | undefined {
  const at = loop.path.findIndex(({ memberId }) => {
    const member = partsOf(sheet).member(memberId)
    return member && isFloating(member)
  })
  const part = loop.path[at]
  const member = partsOf(sheet).member(part?.memberId)
  if (!part || !member) return undefined
  return {
    memberId: member.id,
    radiusMm: radiusOf(loop, member, pitchMm),
    teeth: member.teeth?.value,
    side: sideOf(part.passed, inside),
    after: placedBefore(loop, members, at),
  }
}

/** The placed member that a floating one comes after on the path. */
function placedBefore(loop: Loop, members: readonly LaidMember[], at: number): number {
  for (let back = 1; back <= loop.path.length; back++) {
    const id = loop.path.at((at - back) % loop.path.length)?.memberId
    const found = members.findIndex(({ memberId }) => memberId === id)
    if (found >= 0) return found
  }
  return 0
}

/** Laid out by itself, then put to where its driver stands. */
function schematicOf(sheet: BuildSheet, loop: Loop, placed: readonly PlacedMember[], pitchMm: number): LaidMember[] {
  const laid = schematic(
    placed.filter(({ shaftId }) => shaftId),
    loop.pitches?.value,
    pitchMm,
  )
  const driverId = driverOf(sheet, loop)?.id
  const driver = laid.find(({ memberId }) => memberId === driverId)
  const at = schematicPoint(sheet, driver?.shaftId) ?? { x: 0, y: 0 }
  return turnedAbout(laid, driver, { at, towardsDeg: loopTowardsDeg(sheet, loop) })
}

/** Where a shaft stands, or is drawn where its place is not known: where the loop that turns it puts it, or beside the gear that does. Undefined where the
 *  teeth on the way to it are not counted. */
export function schematicPoint(sheet: BuildSheet, shaftId: string | undefined): Point | undefined {
  const parts = partsOf(sheet)
  const shaft = parts.shaft(shaftId)
  if (!shaft) return undefined
  const own = shaftPoint(sheet, shaft)
  const hang = hangs(sheet).get(shaft.id)
  if (own || !hang) return own
  if (hang.by.kind === 'loop') {
    const loop = parts.loop(hang.by.id)
    const laid = loop && layOut(sheet, loop)
    return laid?.ok ? laid.value.members.find((one) => one.shaftId === shaft.id)?.centre : undefined
  }
  const from = schematicPoint(sheet, hang.fromShaftId)
  if (!from || hang.by.kind === 'coupling') return from
  const mesh = parts.coupling(hang.by.id)
  const [a, b] = [parts.member(mesh?.fromId)?.teeth?.value, parts.member(mesh?.toId)?.teeth?.value]
  if (!a || !b) return undefined
  return polar(from, ((a + b) * SCHEMATIC_PITCH_MM) / (2 * Math.PI), hang.towardsDeg)
}

/** How much further apart than touching wheels are drawn whose places are not known. */
const SPARE = 1.12

/** Wheels in the order of the path, two one above the other, more round a circle, so far apart that the loop closes. Where it would have to be shorter than
 *  they can stand there, or its length is not known, as near as they can stand: the places are invented, and nothing is judged by them. Those passed outside
 *  stand further in, as they would. */
function schematic(toothed: readonly PlacedMember[], pitches: number | undefined, pitchMm: number) {
  const inside = toothed[0]?.side ?? 1
  const placeAt = (i: number, apartMm: number): Point => {
    if (toothed.length === 2) return { x: 0, y: i * apartMm }
    const turn = -Math.PI / 2 + (inside * 2 * Math.PI * i) / toothed.length
    const out = toothed[i]?.side === inside ? 1 : 0.45
    return { x: out * apartMm * Math.cos(turn), y: out * apartMm * Math.sin(turn) }
  }
  const at = (apartMm: number) => toothed.map((member, i): LaidMember => ({ ...member, centre: placeAt(i, apartMm) }))
  const lengthAt = (apartMm: number) => {
    const path = solvePath(at(apartMm), pitchMm)
    return path.ok ? path.value.pitches : 0
  }
  let leastMm = leastApart(toothed)
  for (let i = 0; i < 60 && !standsClear(at(leastMm), lengthAt(leastMm)); i++) leastMm *= 1.06
  if (!standsClear(at(leastMm), lengthAt(leastMm)))
    // However far apart, it cannot be passed so: then every wheel is drawn as passed inside.
    return at(leastApart(toothed)).map((member) => ({ ...member, side: inside }))
  if (!pitches || lengthAt(leastMm) > pitches) return at(leastMm)
  return at(findRoot((apartMm) => lengthAt(apartMm) - pitches, leastMm, leastMm + pitches * pitchMm))
}

/** So far from the middle, or from each other where there are two, that neighbours do not touch. */
function leastApart(toothed: readonly PlacedMember[]): number {
  const sums = toothed.map(({ radiusMm }, i) => radiusMm + (toothed[(i + 1) % toothed.length]?.radiusMm ?? 0))
  const widest = SPARE * Math.max(...sums)
  return toothed.length === 2 ? widest : widest / (2 * Math.sin(Math.PI / toothed.length))
}

const standsClear = (members: readonly LaidMember[], length: number) =>
  length > 0 &&
  members.every((one, i) =>
    members
      .slice(i + 1)
      .every(
        (other) =>
          Math.hypot(one.centre.x - other.centre.x, one.centre.y - other.centre.y) >
          1.04 * (one.radiusMm + other.radiusMm),
      ),
  )
