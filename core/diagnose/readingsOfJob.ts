import { byId } from '../byId'
import { camSpec, COUNT_SIGMA_PITCHES, eventLiftMm, type TimingWitness } from '../cams'
import { readDrive, readMeshCount } from '../drive'
import { allOf, isReleased, lastIn, lastOf, readLoop, type JobState } from '../ledger'
import type { BuildSheet, Cam, Phase } from '../model'
import { partsOf } from '../sheet'
import { wrapToSigned } from '../units'
import { effectsOn } from './effects'
import type { LobeRead, Measured, Readings, ShaftRead } from './readings'

/** Reading a calliper over a stretch of chain, one sigma, mm. Common practice, no source. */
const CALLIPER_SIGMA_MM = 0.1
/** A head or block against its book height, one sigma, mm. Common practice, no source. */
const HEAD_SIGMA_MM = 0.05
/** No reading is taken for better than this by itself, degrees. Ours. */
const LEAST_SIGMA_DEG = 0.1

/** Everything a job has read that bears on what is wrong, for one phase: each lobe that was read by itself, each camshaft's mark and counts.
 *  What stretch, a skimmed head or slack would do is worked out only where the drive is known to scale. Source: handbook 10 and 12. */
export function readingsOfJob(sheet: BuildSheet, state: JobState, phase: Phase): Readings {
  const read = sheet.shafts.filter(({ id, kind }) => kind === 'cam' && state.timing[id]?.[phase])
  const marks = state.camReads.filter((one) => one.kind === 'camMark' && one.phase === phase)
  return {
    shafts: read.map(({ id }) => shaftRead(sheet, state, id, phase)),
    lobes: read.flatMap(({ id }) => lobesOfShaft(sheet, state, id, phase)),
    zero: { sigmaDeg: state.zero?.sigmaDeg ?? 0, proved: state.zero?.proved ?? false },
    elongation: elongationOf(sheet, state),
    skimmed: skimmedOf(sheet, state),
    meshCounts: meshCountsOf(sheet, state, phase),
    cameRunning:
      Object.values(state.tensioners).every(isReleased) &&
      marks.every((one) => one.kind !== 'camMark' || one.approach === 'running'),
    half: halfOf(sheet, state),
  }
}

function shaftRead(sheet: BuildSheet, state: JobState, shaftId: string, phase: Phase): ShaftRead {
  const witnesses = state.timing[shaftId]?.[phase]?.witnesses ?? []
  const mark = witnesses.find(({ kind }) => kind === 'camMark')
  const read = state.camReads.find(({ id }) => id === mark?.entryId)
  const member =
    read?.kind === 'camMark' ? partsOf(sheet).member(partsOf(sheet).mark(read.markId)?.memberId) : undefined
  return {
    shaftId,
    ...effectsOn(sheet, shaftId),
    mark: mark && {
      latenessDeg: mark.latenessDeg,
      sigmaDeg: withoutZero(mark.sigmaDeg, state),
      onWheel: member !== undefined && member.kind !== 'hub',
    },
    count: countOfLoops(sheet, state, shaftId, phase),
  }
}

/** How late a camshaft stands by the counts of all loops on its way; undefined where one of them was not counted. */
function countOfLoops(sheet: BuildSheet, state: JobState, shaftId: string, phase: Phase): Measured | undefined {
  const loops = (readDrive(sheet).ways[shaftId] ?? []).filter(({ by }) => by.kind === 'loop')
  const parts = loops.flatMap(({ by, toShaftId }) => {
    const loop = partsOf(sheet).loop(by.id)
    const read = loop && readLoop(sheet, loop, state.counts, phase, state.seats)
    return read?.lateness.find(({ shaft }) => shaft.id === toShaftId) ?? []
  })
  if (parts.length === 0 || parts.length < loops.length) return undefined
  return {
    value: parts.reduce((sum, { latenessDeg }) => sum + latenessDeg, 0),
    sigma: Math.hypot(...parts.map(({ toothCrankDeg }) => COUNT_SIGMA_PITCHES * toothCrankDeg)),
  }
}

function meshCountsOf(sheet: BuildSheet, state: JobState, phase: Phase): Readings['meshCounts'] {
  const counted = sheet.couplings.flatMap((coupling): [string, number][] => {
    const count = lastOf(state, 'meshCount', `${phase} ${coupling.id}`)
    const teethLate = count && readMeshCount(sheet, coupling, count.teeth)?.teethLate
    return teethLate === undefined ? [] : [[coupling.id, teethLate]]
  })
  return counted.length > 0 ? byId(counted) : undefined
}

/** One sigma of a reading less what the zero has of it: that is common to all. */
const withoutZero = (sigmaDeg: number, { zero }: JobState) =>
  Math.sqrt(Math.max(sigmaDeg ** 2 - (zero?.sigmaDeg ?? 0) ** 2, LEAST_SIGMA_DEG ** 2))

function lobesOfShaft(sheet: BuildSheet, state: JobState, shaftId: string, phase: Phase): LobeRead[] {
  const witnesses = state.timing[shaftId]?.[phase]?.witnesses ?? []
  const own = witnesses.filter(({ kind }) => kind !== 'lobeClock' && kind !== 'camMark' && kind !== 'count')
  const whole = own.filter(({ camId }) => camId === undefined)
  const cams = sheet.cams.filter((cam) => cam.shaftId === shaftId)
  return [
    ...cams.flatMap((cam): LobeRead[] => {
      const read = own.filter(({ camId }) => camId === cam.id)
      if (read.length === 0) return []
      return [
        {
          camId: cam.id,
          shaftId,
          ...meanOf(read, state),
          duration: read.find(({ duration }) => duration)?.duration,
          ...ofLobe(sheet, state, cam, phase),
        },
      ]
    }),
    // Both valves of a cylinder together: of the camshaft, and of neither lobe.
    ...(whole.length > 0 ? [{ camId: shaftId, shaftId, ...meanOf(whole, state) }] : []),
  ]
}

function meanOf(read: readonly TimingWitness[], state: JobState): Pick<LobeRead, 'latenessDeg' | 'sigmaDeg'> {
  const rows = read.map(({ latenessDeg, sigmaDeg }) => ({ latenessDeg, sigmaDeg: withoutZero(sigmaDeg, state) }))
  const weight = rows.reduce((sum, { sigmaDeg }) => sum + sigmaDeg ** -2, 0)
  const first = rows[0]?.latenessDeg ?? 0
  const shift = rows.reduce((sum, one) => sum + wrapToSigned(one.latenessDeg - first, 360) / one.sigmaDeg ** 2, 0)
  return { latenessDeg: first + shift / weight, sigmaDeg: 1 / Math.sqrt(weight) }
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
