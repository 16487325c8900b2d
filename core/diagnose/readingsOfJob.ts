import { byId } from '../byId'
import { camSpec, eventLiftMm } from '../cams'
import { toothWorth, type DriveLink, readDrive } from '../drive'
import { allOf, lastIn, lastOf, type JobState } from '../ledger'
import { isReleased } from '../ledger'
import type { BuildSheet, Cam, Phase } from '../model'
import { partsOf } from '../sheet'
import { degFromRad, ratioValue, wrapToSigned } from '../units'
import type { LobeRead, Measured, Readings } from './readings'

/** Reading a calliper over a stretch of chain, one sigma, mm. Common practice, no source. */
const CALLIPER_SIGMA_MM = 0.1
/** A head or block against its book height, one sigma, mm. Common practice, no source. */
const HEAD_SIGMA_MM = 0.05

/** Everything a job has read that bears on what is wrong, for one phase: each lobe that was read by itself, else each camshaft as a whole.
 *  What stretch, a skimmed head or slack would do is worked out only where the drive is known to scale. Source: handbook 10 and 12. */
export function readingsOfJob(sheet: BuildSheet, state: JobState, phase: Phase): Readings {
  const lobes = sheet.shafts
    .filter(({ kind }) => kind === 'cam')
    .flatMap(({ id }) => lobesOfShaft(sheet, state, id, phase))
  const marks = state.camReads.filter((read) => read.kind === 'camMark' && read.phase === phase)
  return {
    lobes,
    elongation: elongationOf(sheet, state),
    skimmed: skimmedOf(sheet, state),
    cameRunning:
      Object.values(state.tensioners).every(isReleased) &&
      marks.every((read) => read.kind !== 'camMark' || read.approach === 'running'),
    half: halfOf(sheet, state),
  }
}

function lobesOfShaft(sheet: BuildSheet, state: JobState, shaftId: string, phase: Phase): LobeRead[] {
  const timing = state.timing[shaftId]?.[phase]
  if (!timing) return []
  const effects = effectsOn(sheet, shaftId)
  const mark = timing.witnesses.find(({ kind }) => kind === 'camMark')
  const own = timing.witnesses.filter(({ kind, camId }) => camId !== undefined && kind !== 'lobeClock')
  const cams = sheet.cams.filter((cam) => cam.shaftId === shaftId)
  const byLobe = cams.flatMap((cam): LobeRead[] => {
    const read = own.filter(({ camId }) => camId === cam.id)
    if (read.length === 0) return []
    const weight = read.reduce((sum, { sigmaDeg }) => sum + sigmaDeg ** -2, 0)
    const first = read[0]?.latenessDeg ?? 0
    const shift = read.reduce((sum, one) => sum + wrapToSigned(one.latenessDeg - first, 360) / one.sigmaDeg ** 2, 0)
    return [
      {
        ...effects,
        camId: cam.id,
        shaftId,
        latenessDeg: first + shift / weight,
        sigmaDeg: 1 / Math.sqrt(weight),
        duration: read.find(({ duration }) => duration)?.duration,
        mark: mark && { latenessDeg: mark.latenessDeg, sigmaDeg: mark.sigmaDeg },
        ...ofLobe(sheet, state, cam, phase),
      },
    ]
  })
  if (byLobe.length > 0) return byLobe
  return [{ ...effects, camId: shaftId, shaftId, latenessDeg: timing.latenessDeg, sigmaDeg: timing.sigmaDeg }]
}

function ofLobe(sheet: BuildSheet, state: JobState, cam: Cam, phase: Phase): Partial<LobeRead> {
  const { profile, figures } = camSpec(sheet, cam)
  const top = lastIn(state, 'topLift', phase, cam.id)?.liftMm ?? lastIn(state, 'topLift', 'found', cam.id)?.liftMm
  const at = eventLiftMm(cam)
  const flanks = (['opening', 'closing'] as const).map((flank) => {
    const deg = at === undefined ? undefined : profile?.degAtLift(at, flank)
    return deg === undefined ? undefined : Math.abs(profile?.slopeAt(deg) ?? 0)
  })
  const [up, down] = flanks
  const gap = lastIn(state, 'lash', phase, cam.id)?.gapMm ?? lastIn(state, 'lash', 'found', cam.id)?.gapMm
  return {
    perLash: up && down ? 1 / up + 1 / down : undefined,
    lashOverMm: gap !== undefined && cam.lashMm ? gap - cam.lashMm.value : undefined,
    topLiftOverMm: top !== undefined && figures.topLift ? top - figures.topLift.value : undefined,
    ifSwapped: swapped(sheet, cam),
  }
}

/** What a lobe would read if the engine's other camshaft sat in its place, keyed alike: the other's centre and duration against its own. */
function swapped(sheet: BuildSheet, cam: Cam): LobeRead['ifSwapped'] {
  const shafts = new Set(sheet.cams.map(({ shaftId }) => shaftId))
  const other = sheet.cams.find(({ cylinderId, shaftId }) => cylinderId === cam.cylinderId && shaftId !== cam.shaftId)
  if (shafts.size !== 2 || !other) return undefined
  const [mine, theirs] = [camSpec(sheet, cam), camSpec(sheet, other)]
  const [a, b] = [mine.centreOnCycleDeg, theirs.centreOnCycleDeg]
  const [own, others] = [mine.figures.duration?.value, theirs.figures.duration?.value]
  if (a === undefined || b === undefined || own === undefined || others === undefined) return undefined
  return { latenessDeg: wrapToSigned(b - a, 360), durationDeg: others - own }
}

/** What one percent of stretch of each loop on its way, one millimetre off its head, or one of slack on a pulled run does to a shaft; and its
 *  tooth. */
export function effectsOn(
  sheet: BuildSheet,
  shaftId: string,
): Pick<LobeRead, 'toothDeg' | 'perStretch' | 'perSkim' | 'perSlack'> {
  const way = (readDrive(sheet).ways[shaftId] ?? []).filter(({ by }) => by.kind === 'loop')
  const last = way.at(-1)
  const shaft = partsOf(sheet).shaft(last?.toShaftId)
  const member = last?.teeth?.driven
  const toothDeg =
    shaft && member?.teeth ? toothWorth(member.teeth.value, readDrive(sheet).ratioOf(shaft)).crankDeg : undefined
  const runs = way.map((link) => pulledRun(sheet, link))
  if (runs.length === 0 || runs.some((run) => !run)) return { toothDeg }
  const known = runs.flatMap((run) => run ?? [])
  const end = known.at(-1)
  const bankId = bankOf(sheet, shaftId)
  return {
    toothDeg,
    perStretch: byId(known.map(({ loopId, lengthMm, perMmDeg }) => [loopId, (lengthMm / 100) * perMmDeg])),
    ...(bankId !== undefined && end && { perSkim: { [bankId]: end.perMmDeg } }),
    perSlack: byId(known.map(({ loopId, perMmDeg }) => [loopId, perMmDeg])),
  }
}

/** The bank whose head or block carries a camshaft; undefined for one that works several banks and lies between them. */
function bankOf(sheet: BuildSheet, shaftId: string): string | undefined {
  const cylinders = sheet.cams.flatMap((cam) => (cam.shaftId === shaftId ? [cam.cylinderId] : []))
  const banks = new Set(sheet.cylinders.flatMap(({ id, bankId }) => (cylinders.includes(id) ? [bankId] : [])))
  return banks.size === 1 ? [...banks][0] : undefined
}

/** The length of loop that is pulled between a wheel and its driver, and what a millimetre of it is worth at the crank. */
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
  let lengthMm = 0
  for (let i = 0; i < path.pieces.length; i++) {
    const piece = path.pieces[(start + i) % path.pieces.length]
    if (piece?.kind !== 'run') continue
    lengthMm += piece.lengthMm
    if (piece.toMemberId === driverId) break
  }
  const radius = members.find(({ memberId }) => memberId === wheelId)?.radiusMm
  const ratio = Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  return radius ? { loopId: loop.id, lengthMm, perMmDeg: degFromRad(1 / radius) / ratio } : undefined
}

function elongationOf(sheet: BuildSheet, state: JobState): Readings['elongation'] {
  const worst: Record<string, Measured> = byId()
  for (const { loopId, overPitches, measuredMm } of allOf(state, 'chainLength')) {
    const pitchMm = partsOf(sheet).loop(loopId)?.pitchMm?.value
    if (!pitchMm) continue
    const value = 100 * (measuredMm / (overPitches * pitchMm) - 1)
    // Of several places on a loop the worst counts.
    if ((worst[loopId]?.value ?? -Infinity) < value)
      worst[loopId] = { value, sigma: (100 * CALLIPER_SIGMA_MM) / (overPitches * pitchMm) }
  }
  return Object.keys(worst).length > 0 ? worst : undefined
}

function skimmedOf({ banks }: BuildSheet, state: JobState): Readings['skimmed'] {
  const known = banks.flatMap(({ id }) => {
    const said = lastOf(state, 'headHeight', id) ?? lastOf(state, 'headHeight', '')
    return said ? [[id, { value: said.lowerMm, sigma: HEAD_SIGMA_MM }] as const] : []
  })
  return known.length > 0 ? byId(known) : undefined
}

/** What air past the thumb says against what the valves say: only a witness that does not look at the cams can tell them half a turn out. */
function halfOf({ cycleDeg }: BuildSheet, { half, live }: JobState): Readings['half'] {
  if (cycleDeg === 360) return 'oneTurnCycle'
  const said = live.filter((entry) => entry.kind === 'witness' && entry.says !== 'undecided')
  const byAir = said.some((entry) => entry.kind === 'witness' && entry.evidence === 'thumb')
  const byCams = said.some(
    (entry) => entry.kind === 'witness' && entry.evidence !== 'thumb' && entry.evidence !== 'lockFits',
  )
  if (!byAir || !byCams) return 'notWitnessed'
  return half.known === 'conflict' ? 'opposite' : 'agrees'
}
