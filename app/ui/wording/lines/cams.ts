import type { CamWayKind, TimingWitness } from '@link-count/core/cams'
import { crankMarkOf } from '@link-count/core/byMark'
import { fixed, formatMm } from '@link-count/core/units'
import { atCrankMarkWords, seenOffWords } from '../byMark'
import { hourWords } from '../cams'
import type { Lines } from '.'
import { phaseWords } from './phase'

/** The ways a camshaft is read. */
export const camWayWords: Record<TimingWitness['kind'], string> = {
  camMark: 'Cam mark against the crank',
  camAtMark: 'Cam mark, crank at its own',
  valveEvents: 'Opening and closing',
  count: 'Count of the tight run',
  lobeCentre: 'Lobe centre, equal lifts',
  tdcLift: 'Lift at overlap TDC',
  rocking: 'Both valves rocking',
  camGauge: 'Pin, slot or flat',
  lobeClock: 'Lobe as a clock face',
}

export const camLines = {
  camMark: (entry, { wheel }) =>
    `Cam mark ${phaseWords[entry.phase]}, wheel ${wheel(entry, entry.wheelDeg, 2)}${entry.withinDeg === undefined ? '' : `, judged to ± ${fixed(entry.withinDeg, 1)}°`}${entry.approach === 'against' ? ', came to it backwards' : ''}`,
  camAtMark: (entry, { sheet, wheel, nameOf }) => {
    const { shaftId, phase, crank, off } = entry
    const mark = crank.by === 'mark' ? crankMarkOf(sheet, crank.markId) : undefined
    const at =
      crank.by === 'wheel'
        ? `wheel ${wheel(entry, crank.wheelDeg, 1)}`
        : `crank ${atCrankMarkWords(mark ?? { name: crank.markId, meets: '' }, crank.offDeg)}`
    return `${nameOf('shafts', shaftId)} ${phaseWords[phase]}: ${seenOffWords(off, (id) => nameOf('cylinders', id))}, ${at}`
  },
  valveEvents: (entry, { wheel, nameOf }) =>
    `${nameOf('cams', entry.camId)} ${phaseWords[entry.phase]}: opens at wheel ${wheel(entry, entry.opensWheelDeg, 1)}, closes at ${wheel(entry, entry.closesWheelDeg, 1)}`,
  lobeCentre: ({ camId, phase, pairs }, { nameOf }) =>
    `${nameOf('cams', camId)} ${phaseWords[phase]}: lobe centre from ${pairs.length} ${pairs.length === 1 ? 'height' : 'heights'}`,
  tdcLift: ({ camId, phase, liftMm }, { nameOf }) =>
    `${nameOf('cams', camId)} ${phaseWords[phase]}: ${formatMm(liftMm)} at overlap TDC`,
  rocking: (entry, { wheel, nameOf }) => {
    const { phase, cylinderId, read } = entry
    const said =
      read.by === 'lifts'
        ? `inlet ${formatMm(read.inletMm)}, exhaust ${formatMm(read.exhaustMm)}`
        : `alike at wheel ${wheel(entry, read.wheelDeg, 1)}`
    return `Rocking ${phaseWords[phase]}, cylinder ${nameOf('cylinders', cylinderId)}: ${said}`
  },
  camGauge: ({ shaftId, phase, what, offMm, radiusMm }, { nameOf }) =>
    `${nameOf('shafts', shaftId)} ${phaseWords[phase]}: ${what} ${formatMm(Math.abs(offMm))} ${offMm < 0 ? 'early' : 'late'} at ${formatMm(radiusMm)}`,
  lobeClock: ({ camId, phase, hour, crankDeg }, { nameOf }) =>
    `${nameOf('cams', camId)} ${phaseWords[phase]}: points to ${hourWords(hour)} at ${fixed(crankDeg, 0)}°, from the timing side`,
} satisfies Pick<Lines, CamWayKind>
