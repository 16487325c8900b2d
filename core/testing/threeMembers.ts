import type { BuildSheet } from '../model'
import { beginSheet, PART_IDS as ids } from '../starters'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })

/** The handbook's three-member layout without its shoe, marks where the test puts them. */
export function sheetWith({
  camMarkDeg = 70,
  crankMarkDeg = -15,
  links = 70,
  running = 'clockwise' as 'clockwise' | 'anticlockwise',
}): BuildSheet {
  const base = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 1,
    guide: false,
    tensioner: true,
  })
  const mirror = running === 'clockwise' ? 1 : -1
  return {
    ...base,
    running: { value: running, typed: running, trust: 'measured' },
    shafts: base.shafts.map((shaft) =>
      shaft.id === ids.cam
        ? { ...shaft, position: { how: 'xy', xMm: known(14 * mirror), yMm: known(193.2746) } }
        : shaft,
    ),
    members: base.members.map((member) => ({
      ...member,
      ...(member.id === ids.tensioner
        ? { radiusMm: known(62) }
        : { teeth: known(member.id === ids.camSprocket ? 38 : 19) }),
    })),
    loops: base.loops.map((loop) => ({ ...loop, pitchMm: known(9.525), pitches: known(links) })),
    marks: base.marks.map((mark) => {
      const deg = mark.id === ids.camMark ? camMarkDeg : crankMarkDeg
      return { ...mark, pointsAtDeg: known((((mirror === 1 ? deg : 180 - deg) % 360) + 360) % 360) }
    }),
  }
}

/** The same with teeth on its tensioner instead of a shoe. */
export function sheetWithToothedTensioner(teeth: number): BuildSheet {
  const sheet = sheetWith({})
  return {
    ...sheet,
    members: sheet.members.map(({ radiusMm, ...member }) =>
      member.id === ids.tensioner ? { ...member, teeth: known(teeth) } : { ...member, ...(radiusMm && { radiusMm }) },
    ),
  }
}
