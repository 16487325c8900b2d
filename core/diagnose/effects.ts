import { byId } from '../byId'
import { solvePath, toothWorth, readDrive, type DriveLink, type Path } from '../drive'
import type { BuildSheet, Loop } from '../model'
import { partsOf } from '../sheet'
import { degFromRad, radFromDeg, ratioValue, wrapToSigned } from '../units'
import type { ShaftRead } from './readings'

/** What can let a camshaft turn in its wheel. */
const LETS_GO: readonly string[] = ['hub', 'slots', 'taper', 'grubScrews', 'couplingSlip']
/** What is taken off a head to see what it does: half a millimetre, a usual skim; more does nearly as much more. */
const SKIM_MM = 0.5

/** What each cause does to a camshaft: its tooth and those of gears on its way, what one percent of stretch of each loop on its way, one millimetre off its
 *  head, or one of slack on a pulled run makes it late by, crank degrees; by which wheel its way leaves the crank, and whether it can slip in its
 *  own. What needs the drive to scale is left out where that is not known. Source: handbook 10; the skim by solving the path again. */
export function effectsOn(sheet: BuildSheet, shaftId: string): Omit<ShaftRead, 'shaftId' | 'mark' | 'count'> {
  const way = readDrive(sheet).ways[shaftId] ?? []
  const loops = way.filter(({ by }) => by.kind === 'loop')
  const last = loops.at(-1)
  const toothDeg = last && toothOf(sheet, last)
  const meshes = way.flatMap((link): [string, number][] => {
    const deg = link.by.kind === 'mesh' ? toothOf(sheet, link) : undefined
    return deg === undefined ? [] : [[link.by.id, deg]]
  })
  const wheelId = way[0]?.teeth?.driver.id
  const own = way.findLast(({ teeth }) => teeth)?.teeth?.driven.id
  const common = {
    toothDeg,
    ...(meshes.length > 0 ? { perMeshTooth: byId(meshes) } : {}),
    ...(wheelId === undefined ? {} : { crankWheelId: wheelId }),
    canSlip: sheet.adjusters.some(({ kind, memberId }) => memberId === own && LETS_GO.includes(kind)),
  }
  const runs = loops.map((link) => pulledRun(sheet, link))
  if (runs.length === 0 || runs.some((run) => !run)) return common
  const known = runs.flatMap((run) => run ?? [])
  const bankId = bankOf(sheet, shaftId)
  const skim = bankId === undefined ? undefined : skimEffect(sheet, loops, bankId)
  return {
    ...common,
    perStretch: byId(known.map(({ loopId, lengthMm, perMmDeg }) => [loopId, (lengthMm / 100) * perMmDeg])),
    ...(bankId !== undefined && skim !== undefined && { perSkim: { [bankId]: skim } }),
    perSlack: byId(known.map(({ loopId, perMmDeg }) => [loopId, perMmDeg])),
  }
}

function toothOf(sheet: BuildSheet, { toShaftId, teeth }: DriveLink): number | undefined {
  const shaft = partsOf(sheet).shaft(toShaftId)
  const z = teeth?.driven.teeth?.value
  return shaft && z ? toothWorth(z, readDrive(sheet).ratioOf(shaft)).crankDeg : undefined
}

/** The bank whose head or block carries a camshaft; undefined for one that works several banks and lies between them. */
function bankOf(sheet: BuildSheet, shaftId: string): string | undefined {
  const cylinders = sheet.cams.flatMap((cam) => (cam.shaftId === shaftId ? [cam.cylinderId] : []))
  const banks = new Set(sheet.cylinders.flatMap(({ id, bankId }) => (cylinders.includes(id) ? [bankId] : [])))
  return banks.size === 1 ? [...banks][0] : undefined
}

/** The length of loop that is pulled between a wheel and its driver, free runs and the arcs over what has no teeth, and what a millimetre of it is worth
 *  at the crank. */
function pulledRun(
  sheet: BuildSheet,
  link: DriveLink,
): { loopId: string; lengthMm: number; perMmDeg: number } | undefined {
  const loop = partsOf(sheet).loop(link.by.id)
  const lies = loop && readDrive(sheet).lies(loop)
  const shaft = partsOf(sheet).shaft(link.toShaftId)
  if (!loop || lies?.drawn !== 'toScale' || !shaft || !link.teeth) return undefined
  const { path, members } = lies
  const driverId = readDrive(sheet).driverOf(loop)?.id
  const wheelId = link.teeth.driven.id
  const start = path.pieces.findIndex((piece) => piece.kind === 'run' && piece.fromMemberId === wheelId)
  if (start < 0 || driverId === wheelId) return undefined
  const toothed = new Set(members.flatMap(({ memberId, teeth }) => (teeth ? [memberId] : [])))
  let lengthMm = 0
  for (let i = 0; i < path.pieces.length; i++) {
    const piece = path.pieces[(start + i) % path.pieces.length]
    if (piece?.kind === 'run') lengthMm += piece.lengthMm
    else if (piece && !toothed.has(piece.memberId ?? ''))
      lengthMm += piece.radiusMm * radFromDeg(Math.abs(piece.sweepDeg))
    if (piece?.kind === 'run' && piece.toMemberId === driverId) break
  }
  const radius = members.find(({ memberId }) => memberId === wheelId)?.radiusMm
  const ratio = Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  return radius ? { loopId: loop.id, lengthMm, perMmDeg: degFromRad(1 / radius) / ratio } : undefined
}

/** What a millimetre off a bank's head does over all loops on a way, every camshaft of that bank coming down its bores; crank degrees late. */
function skimEffect(sheet: BuildSheet, links: readonly DriveLink[], bankId: string): number | undefined {
  const axisDeg =
    sheet.banks.find(({ id }) => id === bankId)?.axisDeg?.value ?? (sheet.banks.length === 1 ? 90 : undefined)
  if (axisDeg === undefined) return undefined
  const down = { x: -SKIM_MM * Math.cos(radFromDeg(axisDeg)), y: -SKIM_MM * Math.sin(radFromDeg(axisDeg)) }
  const moved = new Set(
    sheet.shafts.flatMap(({ id, kind }) => (kind === 'cam' && bankOf(sheet, id) === bankId ? [id] : [])),
  )
  let lateDeg = 0
  for (const link of links) {
    const loop = partsOf(sheet).loop(link.by.id)
    const deg = loop && lowered(sheet, loop, link, { moved, down })
    if (deg === undefined) return undefined
    lateDeg += deg
  }
  return lateDeg / SKIM_MM
}

function lowered(
  sheet: BuildSheet,
  loop: Loop,
  link: DriveLink,
  { moved, down }: { readonly moved: ReadonlySet<string>; readonly down: { readonly x: number; readonly y: number } },
): number | undefined {
  const lies = readDrive(sheet).lies(loop)
  const driver = readDrive(sheet).driverOf(loop)?.id
  const driven = link.teeth?.driven.id
  const toothDeg = toothOf(sheet, link)
  if (!lies || !driver || !driven || toothDeg === undefined) return undefined
  const pathOf = (by: number) =>
    solvePath(
      lies.members.map((one) => {
        const isMoved = moved.has(partsOf(sheet).member(one.memberId)?.shaftId ?? '')
        const { x, y } = one.centre
        return isMoved ? { ...one, centre: { x: x + by * down.x, y: y + by * down.y } } : one
      }),
      lies.path.pitchMm,
    )
  const [before, after] = [pathOf(0), pathOf(1)]
  if (!before.ok || !after.ok) return undefined
  const marks = [driven, driver].map((memberId) => ({ memberId, deg: middleOf(before.value, memberId) }))
  const pulled = (path: Path) => {
    const [from, to] = marks.map(({ memberId, deg }) => atOf(path, lies.members, memberId, deg))
    const on = (to ?? 0) - (from ?? 0)
    return on - path.pitches * Math.floor(on / path.pitches)
  }
  return (pulled(before.value) - pulled(after.value)) * toothDeg
}

const arcOf = (path: Path, memberId: string) =>
  path.pieces.find((piece) => piece.kind === 'arc' && piece.memberId === memberId)

/** The direction of the middle of a wheel's wrap. */
function middleOf(path: Path, memberId: string): number {
  const arc = arcOf(path, memberId)
  return arc?.kind === 'arc' ? arc.fromDeg + arc.sweepDeg / 2 : 0
}

/** Pitches along the path at which a direction of a toothed wheel lies, near its wrap. */
function atOf(
  path: Path,
  members: readonly { readonly memberId: string; readonly side: 1 | -1; readonly teeth?: number | undefined }[],
  memberId: string,
  deg: number,
): number {
  const arc = arcOf(path, memberId)
  const member = members.find((one) => one.memberId === memberId)
  if (arc?.kind !== 'arc' || !member?.teeth) return 0
  const half = Math.abs(arc.sweepDeg) / 2
  const on = wrapToSigned(member.side * (deg - arc.fromDeg) - half, 360) + half
  return arc.startPitches + (on * member.teeth) / 360
}
