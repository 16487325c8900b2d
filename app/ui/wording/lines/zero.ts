import type { Evidence, FeelTool } from '@link-count/core/model'
import { crankMarkOf } from '@link-count/core/byMark'
import { fixed, formatMm } from '@link-count/core/units'
import { atCrankMarkWords } from '../byMark'
import type { Lines } from '.'

const evidenceWords: Record<Evidence, string> = {
  thumb: 'thumb on the hole',
  lobes: 'own valves',
  rocking: 'rocking',
  companionRocking: 'companion cylinder',
  lockFits: 'a lock or line fits',
}
const tools: Record<FeelTool, string> = {
  screwdriver: 'screwdriver',
  pick: 'pick',
  valve: 'spare valve',
  stick: 'marked stick',
}

export const zeroLines = {
  degreeWheel: ({ scale }) =>
    scale.kind === 'rim'
      ? `Tape on the rim, read to ${scale.readToMm} mm`
      : `Degree wheel fitted, read to ${scale.readToDeg}°`,
  dial: ({ readToMm }) => `Dial read to ${readToMm} mm`,
  stopContacts: (entry, { wheel, nameOf }) =>
    `Stop contacts at ${wheel(entry, entry.firstDeg, 2)} and ${wheel(entry, entry.secondDeg, 2)}, cylinder ${nameOf('cylinders', entry.cylinderId)}`,
  dialPair: (entry, { wheel, nameOf }) =>
    `Dial, ${formatMm(entry.dropMm)} down, at ${wheel(entry, entry.beforeDeg, 2)} and ${wheel(entry, entry.afterDeg, 2)}, cylinder ${nameOf('cylinders', entry.cylinderId)}`,
  dwell: (entry, { wheel, nameOf }) =>
    `Dwell by ${tools[entry.tool]} from ${wheel(entry, entry.beforeDeg)} to ${wheel(entry, entry.afterDeg)}, cylinder ${nameOf('cylinders', entry.cylinderId)}`,
  factoryMark: (entry, { wheel }) => `${entry.name || 'Mark'} at its pointer, wheel ${wheel(entry, entry.wheelDeg, 2)}`,
  wheelKnocked: ({ what }) =>
    `Disturbed: ${{ wheel: 'the wheel', pointer: 'the pointer', notSure: 'wheel or pointer' }[what]}`,
  contactAgain: (entry, { wheel }) =>
    `${entry.which === 'first' ? 'First' : 'Second'} contact again, ${wheel(entry, entry.wheelDeg, 2)}`,
  leaning: ({ how }) =>
    how === 'shift' ? 'Readings since the slip shifted by it' : 'Readings since the slip to be taken again',
  stands: ({ place, cylinderId, markId, offDeg = 0 }, { nameOf, sheet }) =>
    place === 'mark'
      ? `Crank seen: ${atCrankMarkWords(crankMarkOf(sheet, markId) ?? { name: markId ?? 'a mark', meets: '' }, offDeg)}`
      : place === 'pose'
        ? 'Stands at the timing position'
        : `Stands at TDC of cylinder ${nameOf('cylinders', cylinderId)}`,
  turned: (entry, { wheel }) => {
    const ended = { onMark: 'on the mark', short: 'short of it', past: 'past it' }[entry.ended]
    const read = entry.wheelDeg === undefined ? '' : `, wheel ${wheel(entry, entry.wheelDeg, 1)}`
    return `Turned ${fixed(Math.abs(entry.deg), 1)}°${entry.deg < 0 ? ' back' : ''}, ${ended}${read}`
  },
  witness: ({ evidence, says }) => `Witness, ${evidenceWords[evidence]}: ${says}`,
} satisfies Partial<Lines>
